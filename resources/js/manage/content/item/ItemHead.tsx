import { Link } from "react-router";
import { moment, useStart } from "../../shared/api/start";
import { Steady } from "../../shared/Steady";
import type { Beside, ItemFormState } from "./useItemForm";

/** The bar above an item's form: the way back, the state of the draft, and the actions. */
export function ItemHead({
	state,
	beside,
	onHistory,
}: {
	state: ItemFormState;
	beside: Beside | undefined;
	onHistory: () => void;
}) {
	const { type, saved, draft, changed, remove } = state;
	const start = useStart();
	const Heading = beside ? "h2" : "h1";
	return (
		<div className="form-bar gap-x-3 gap-y-1.5 px-4 md:px-6 py-2">
			{beside ? (
				<button type="button" className="text-quiet hover:underline cursor-pointer" onClick={beside.onClose}>
					<span aria-hidden="true">‹</span> {beside.words}
				</button>
			) : (
				<Link to={`/content/${type.key}`} className="text-quiet hover:underline">
					{type.plural} <span aria-hidden="true">›</span>
				</Link>
			)}
			<Heading className="font-serif text-xl font-semibold">
				{saved?.title ?? `New ${type.label.toLowerCase()}`}
			</Heading>
			<span className="flex-1" />
			<Steady room={`Draft kept ${moment(start, new Date().toISOString())}`} className="text-quiet text-right">
				{draft.problem
					? `Your draft is not kept: ${draft.problem}`
					: changed
						? draft.keptAt
							? `Draft kept ${moment(start, draft.keptAt)}`
							: "Not saved yet"
						: saved
							? `Saved ${moment(start, saved.updatedAt)}`
							: ""}
			</Steady>
			{saved && (
				<>
					<button type="button" className="hover:underline cursor-pointer" onClick={() => onHistory()}>
						History
					</button>
					{saved.status === "published" && (
						<a className="hover:underline" href={saved.address} target="_blank" rel="noreferrer">
							View on site
						</a>
					)}
					<button
						type="button"
						className="hover:underline cursor-pointer"
						disabled={remove.isPending}
						onClick={() => remove.mutate(saved)}
					>
						Remove
					</button>
				</>
			)}
			<span className="@max-2xl:hidden flex items-center gap-3">
				<ItemActions state={state} />
			</span>
		</div>
	);
}

/** The buttons to save and publish. On a narrow screen they stay visible at the bottom. */
export function ItemActions({ state: { saved, values, changed, save, discard, publish } }: { state: ItemFormState }) {
	const isDraft = values.status === "draft";
	return (
		<>
			{changed && saved && (
				<button type="button" className="btn btn-sm btn-ghost h-9" onClick={() => discard.mutate()}>
					Drop the changes
				</button>
			)}
			{isDraft && (
				<button type="button" className="btn btn-secondary btn-sm h-9 px-4" disabled={save.isPending} onClick={publish}>
					Publish
				</button>
			)}
			<button
				type="submit"
				className={`btn btn-sm h-9 px-4 ${isDraft ? "" : "btn-secondary"}`}
				disabled={save.isPending || (saved !== null && !changed)}
			>
				{saveWords(isDraft, saved?.status === "published")}
			</button>
		</>
	);
}

/** The effect of saving for visitors. */
function saveWords(isDraft: boolean, wasLive: boolean): string {
	if (isDraft) {
		return wasLive ? "Take it off the site" : "Save draft";
	}
	return wasLive ? "Publish changes" : "Publish";
}
