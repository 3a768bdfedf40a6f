import { useState } from "react";
import type { ContentType, Item, NewItem } from "../../shared/api/schema";
import { useDone } from "../../shared/Done";
import { useTitle } from "../../shared/shell/useTitle";
import { Conflict } from "./Conflict";
import { History } from "./History";
import { ItemFields } from "./ItemFields";
import { ItemActions, ItemHead } from "./ItemHead";
import { ItemNotices } from "./ItemNotices";
import { ItemSentence } from "./ItemSentence";
import { ShownIn } from "./ShownIn";
import { type Beside, useItemForm } from "./useItemForm";

/** The form of an item, on its own screen, or beside the screen that opened it. */
export function ItemForm({
	type,
	item,
	begun,
	beside,
}: {
	type: ContentType;
	item: Item | null;
	begun: NewItem | Item;
	beside?: Beside;
}) {
	const done = useDone();
	const [history, setHistory] = useState(false);
	const state = useItemForm(type, item, begun, beside);
	const { saved, stale } = state;
	useTitle(beside ? null : (saved?.title ?? `New ${type.label.toLowerCase()}`));
	return (
		<form ref={state.form} onSubmit={state.submit} noValidate className="@container">
			<div className="@max-2xl:contents @2xl:sticky short:static top-0 z-10">
				<ItemHead state={state} beside={beside} onHistory={() => setHistory(true)} />
				<ItemSentence state={state} />
			</div>
			<ItemNotices state={state} />
			<div className={saved ? "grid @4xl:grid-cols-[minmax(0,1fr)_20rem] min-h-full" : "grid max-w-6xl"}>
				<div className="px-4 md:px-6 py-6 min-w-0">
					<ItemFields state={state} />
				</div>
				{saved && (
					<aside className="px-4 md:px-6 py-6 bg-base-200 border-t @4xl:border-t-0 @4xl:border-l border-base-300">
						<div className="@4xl:sticky @4xl:top-30">
							<ShownIn item={saved} />
						</div>
					</aside>
				)}
			</div>
			<div
				className="@2xl:hidden sticky bottom-0 z-10 flex flex-wrap justify-end gap-3 px-4 py-2 bg-base-100 border-t
				border-base-300"
			>
				<ItemActions state={state} />
			</div>
			{history && saved && (
				<History
					item={saved}
					onClose={() => setHistory(false)}
					onBack={(now) => {
						state.take(now);
						setHistory(false);
						done("Restored. The state before it is kept, too.");
					}}
				/>
			)}
			{stale && (
				<Conflict
					stale={stale.about}
					now={stale.now}
					onClose={() => state.setStale(null)}
					onDecide={(of, revision) => state.save.mutate({ of, revision })}
				/>
			)}
		</form>
	);
}
