import { Redo2, Undo2 } from "lucide-react";
import { moment, useStart } from "../api/start";
import { Notice } from "../Notice";
import { Steady } from "../Steady";
import { LeftNotice } from "./LeftNotice";
import type { Drafted, KeptDraft } from "./useKeptDraft";
import type { Standing } from "./useStanding";

/** Undo and redo, whether the draft differs from the live version, and whether it is saved. */
export function DraftState<T>({
	draft,
	savedAt,
	standing,
}: {
	draft: KeptDraft<T>;
	savedAt: string;
	standing: Standing;
}) {
	const start = useStart();
	const { keeping } = draft;
	const { live, changed, publishedAt } = standing;
	const stands = !live
		? "Never published"
		: changed
			? `Changed since ${publishedAt ? moment(start, publishedAt, false) : "it went live"}`
			: "Live and unchanged";
	const kept = (at: string) => (live && !changed ? stands : `${stands} · every change kept, ${moment(start, at)}`);
	return (
		<>
			<span className="flex">
				<button
					type="button"
					className="btn btn-ghost btn-sm btn-square"
					aria-label="Undo"
					disabled={!draft.canUndo}
					onClick={draft.undo}
				>
					<Undo2 className="size-4" aria-hidden="true" />
				</button>
				<button
					type="button"
					className="btn btn-ghost btn-sm btn-square"
					aria-label="Redo"
					disabled={!draft.canRedo}
					onClick={draft.redo}
				>
					<Redo2 className="size-4" aria-hidden="true" />
				</button>
			</span>
			<Steady room={`${stands} · every change kept, ${moment(start, savedAt)}`} className="px-2.5 text-xs">
				<span className="-mx-2.5 rounded-full bg-accent text-accent-content px-2.5 py-0.5">
					{keeping.state === "kept" && kept(keeping.at)}
					{keeping.state === "keeping" && `${stands} · keeping…`}
					{keeping.state === "stale" && `${stands} · changed elsewhere`}
					{keeping.state === "failed" && `${stands} · not kept yet`}
				</span>
			</Steady>
		</>
	);
}

/** Problems with saving the draft, with the actions that solve them. */
export function DraftTrouble<T>({ draft, newest }: { draft: KeptDraft<T>; newest: () => Promise<Drafted<T>> }) {
	const { keeping, left } = draft;
	return (
		<>
			{keeping.state === "stale" && (
				<div className="px-4 pt-3">
					<Notice>
						Someone else changed this draft while you did. Yours is still here.{" "}
						<button
							type="button"
							className="link font-semibold"
							onClick={async () => draft.overwrite((await newest()).revision)}
						>
							Keep mine over theirs
						</button>{" "}
						or{" "}
						<button type="button" className="link font-semibold" onClick={async () => draft.takeTheirs(await newest())}>
							take theirs
						</button>{" "}
						(undo brings yours back).
					</Notice>
				</div>
			)}
			{keeping.state === "failed" && (
				<div className="px-4 pt-3">
					<Notice>
						The draft could not be kept: {keeping.why} Your changes are still here.{" "}
						<button type="button" className="link font-semibold" onClick={() => draft.keep()}>
							Try again
						</button>
					</Notice>
				</div>
			)}
			{left && (
				<div className="px-4 pt-3">
					<LeftNotice left={left} onBringBack={draft.bringBackLeft} onDrop={draft.dropLeft} />
				</div>
			)}
		</>
	);
}
