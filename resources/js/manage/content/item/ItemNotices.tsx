import { moment, useStart } from "../../shared/api/start";
import { LeftNotice } from "../../shared/drafts/LeftNotice";
import { Notice } from "../../shared/Notice";
import type { ItemFormState } from "./useItemForm";

/** Important messages: a restored draft, and a failed save with its reason. */
export function ItemNotices({
	state: { type, draft, hadDraft, keptAt, bringBack, changed, save, remove, discard, stale, problems },
}: {
	state: ItemFormState;
}) {
	const start = useStart();
	return (
		<div className="px-4 md:px-6 pt-4 max-w-6xl grid gap-3 empty:hidden">
			{hadDraft && changed && (
				<Notice tone="calm">
					This is your draft of {moment(start, keptAt)}; it is not saved yet.{" "}
					<button type="button" className="underline cursor-pointer font-semibold" onClick={() => discard.mutate()}>
						Drop it
					</button>
				</Notice>
			)}
			<LeftNotice left={draft.left} onBringBack={bringBack} onDrop={draft.dropLeft} />
			{save.error && !stale && (
				<Notice>
					{problems.length > 0
						? `Not saved: ${problems.length === 1 ? "one field needs" : `${problems.length} fields need`} another look. ` +
							"What you typed is still here."
						: save.error.message}
					{problems
						.filter((problem) => !type.fields.some((one) => one.key === problem.path))
						.map((problem) => (
							<p key={problem.path}>
								{problem.path}: {problem.message}
							</p>
						))}
				</Notice>
			)}
			{remove.error && <Notice>{remove.error.message}</Notice>}
		</div>
	);
}
