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

/** The head of a screen with a draft: its title, the state of the draft, and the publish button. */
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
	/** An input for the title; the heading itself is then visible to screen readers only. */
	name?: ReactNode;
	kind: DraftKind;
	stored: S;
	/** The live version, if the draft already differed from it at the start. */
	live?: T | null;
	draft: KeptDraft<T>;
	newest: () => Promise<S>;
	onPublished: (now: S) => void;
	/** Further actions before the publish button. */
	aside?: (isLive: boolean) => ReactNode;
	/** True if the draft is invalid and cannot be published. */
	isFaulty?: boolean;
	/** The labels of the button, before and after publishing. */
	words?: [string, string];
	/** Content before the title. */
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
			// The change may affect menus, links and listings in all previews.
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
