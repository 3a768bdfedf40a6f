import { moment, useStart } from "../api/start";
import { Notice } from "../Notice";
import { LeftNotice } from "./LeftNotice";
import type { KeptForm } from "./useKeptForm";

/** Messages about a kept draft, and about a conflict with another person's save. */
export function FormNotices<V extends object>({
	form,
	onSave,
	onDropped,
}: {
	form: KeptForm<V>;
	/** Saves the typed values over another person's save with this revision. */
	onSave: (revision: number) => void;
	/** Called after the typed values were dropped in favour of the other person's. */
	onDropped: () => void;
}) {
	const start = useStart();
	const { draft, stale } = form;
	return (
		<>
			{stale !== null && (
				<Notice>
					Someone else saved this while you changed it. Yours is not saved, and still here.{" "}
					<button
						type="button"
						className="link font-semibold"
						onClick={() => {
							form.overwrite(stale);
							onSave(stale);
						}}
					>
						Save mine over theirs
					</button>{" "}
					or{" "}
					<button type="button" className="link font-semibold" onClick={() => void form.discard().then(onDropped)}>
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
			<LeftNotice left={draft.left} onBringBack={form.bringBack} onDrop={draft.dropLeft} />
			{draft.problem && <Notice>Not kept yet: {draft.problem} What you typed is still here.</Notice>}
		</>
	);
}
