import { Notice } from "./Notice";
import { moment, useStart } from "./start";
import type { KeptForm } from "./useKeptForm";

/** Tells of a draft that was kept, and of a save that someone else was faster with. */
export function FormNotices<V extends object>({
	form,
	onOverwrite,
	onTakeTheirs,
}: {
	form: KeptForm<V>;
	/** saves what is typed here over what someone else saved, which has this revision */
	onOverwrite: (revision: number) => void;
	onTakeTheirs: () => void;
}) {
	const start = useStart();
	const { draft, stale } = form;
	return (
		<>
			{stale !== null && (
				<Notice>
					Someone else saved this while you changed it. Yours is not saved, and still here.{" "}
					<button type="button" className="link font-semibold" onClick={() => onOverwrite(stale)}>
						Save mine over theirs
					</button>{" "}
					or{" "}
					<button type="button" className="link font-semibold" onClick={onTakeTheirs}>
						take theirs
					</button>
					.
				</Notice>
			)}
			{form.hadDraft && stale === null && (
				<Notice tone="calm">
					This is your draft of {moment(start, form.keptAt)}. It is not saved yet.{" "}
					<button type="button" className="link font-semibold" onClick={() => void form.discard()}>
						Drop it
					</button>
				</Notice>
			)}
			{draft.left && (
				<Notice tone="calm">
					This browser still has what you typed on {moment(start, draft.left.at)}. It did not reach the server.{" "}
					<button type="button" className="link font-semibold" onClick={form.bringBack}>
						Bring it back
					</button>{" "}
					or{" "}
					<button type="button" className="link font-semibold" onClick={draft.dropLeft}>
						drop it
					</button>
					.
				</Notice>
			)}
			{draft.problem && <Notice>Not kept yet: {draft.problem} What you typed is still here.</Notice>}
		</>
	);
}
