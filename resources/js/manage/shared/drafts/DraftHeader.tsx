import { useMutation, useQueryClient } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { finished } from "../api/api";
import { PREVIEW } from "../api/previews";
import { Notice } from "../Notice";
import { useTitle } from "../shell/useTitle";
import { DraftState, DraftTrouble } from "./DraftState";
import { type DraftKind, publishDraft } from "./onServer";
import type { Drafted, KeptDraft } from "./useKeptDraft";
import { type Standing, useStanding } from "./useStanding";

/** The head of a screen for something with a draft: its title, whether the draft is kept, and the button to publish. */
export function DraftHeader<T, S extends Drafted<T> & Standing>({
	title,
	name,
	kind,
	stored,
	live = null,
	draft,
	newest,
	onPublished,
	aside,
	isFaulty = false,
	words = ["Publish", "Published"],
	children,
}: {
	title: string;
	/** Where the title is edited in place; the heading itself is then for screen readers. */
	name?: ReactNode;
	kind: DraftKind;
	stored: S;
	/** What visitors get, where the draft may already have differed when it was opened. */
	live?: T | null;
	draft: KeptDraft<T>;
	newest: () => Promise<S>;
	onPublished: (now: S) => void;
	/** What else can be done, before the button. */
	aside?: (isLive: boolean) => ReactNode;
	/** Whether the draft is such that it cannot be published. */
	isFaulty?: boolean;
	/** What the button says, before and after. */
	words?: [string, string];
	/** What stands before the title. */
	children?: ReactNode;
}) {
	const { definition, keeping } = draft;
	const { standing, published: taken } = useStanding<T>(stored, definition, live);
	const client = useQueryClient();
	const publish = useMutation({
		mutationFn: async () => {
			if (!(await draft.keep())) {
				throw new Error("Nothing was published, because the draft is not kept yet.");
			}
			await finished(publishDraft(kind, stored.key, draft.revision()));
			return newest();
		},
		onSuccess: (now) => {
			draft.published(now);
			taken(now);
			// Previews show menus, links and listings that this change may have made live.
			void client.invalidateQueries({ queryKey: [PREVIEW] });
			onPublished(now);
		},
	});
	useTitle(title);
	const published = standing.live && !standing.changed;
	return (
		<>
			<div
				className="flex flex-wrap items-center gap-x-3 gap-y-2 px-4 md:px-5 py-2 min-h-13 bg-base-100 border-b
				border-base-300 shrink-0"
			>
				{children}
				<h1 className={name ? "sr-only" : "font-serif text-xl font-semibold"}>{title}</h1>
				{name}
				<DraftState draft={draft} savedAt={stored.savedAt} standing={standing} />
				<span className="flex-1" />
				{aside?.(standing.live)}
				<button
					type="button"
					className="btn btn-secondary btn-sm h-9 px-4"
					disabled={published || publish.isPending || keeping.state === "stale" || isFaulty}
					onClick={() => publish.mutate()}
				>
					{published ? words[1] : words[0]}
				</button>
				{publish.error && (
					<div className="w-full">
						<Notice>{publish.error.message}</Notice>
					</div>
				)}
			</div>
			<DraftTrouble draft={draft} newest={newest} />
		</>
	);
}
