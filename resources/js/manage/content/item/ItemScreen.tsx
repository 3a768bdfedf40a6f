import { useQuery } from "@tanstack/react-query";
import { Navigate, useParams } from "react-router";
import { get } from "../../shared/api/api";
import type { Item, NewItem } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { Fault, Opening } from "../../shared/Fault";
import { Notice } from "../../shared/Notice";
import { ItemForm } from "./ItemForm";
import type { Beside } from "./useItemForm";

/** The form of an item on its own screen. */
export function ItemScreen() {
	const { type = "", id } = useParams();
	return <OpenItem type={type} id={id} />;
}

/** The form of an item after the item has loaded. */
export function OpenItem({ type: key, id, beside }: { type: string; id?: string; beside?: Beside }) {
	const start = useStart();
	const type = start.types.find((one) => one.key === key);
	const item = useQuery({
		queryKey: ["item", key, id ?? "new"],
		queryFn: ({ signal }): Promise<Item | NewItem> =>
			id === undefined
				? get("/items/new/{key}", { params: { path: { key } }, signal })
				: get("/items/{item}", { params: { path: { item: Number(id) } }, signal }),
		enabled: type !== undefined,
		staleTime: 0,
		gcTime: 0,
		refetchOnWindowFocus: false,
	});
	if (!type || item.error) {
		return (
			<div className="p-6 grid gap-3">
				{item.error ? (
					<Fault error={item.error} onRetry={item.refetch} />
				) : (
					<Notice>There is no content type “{key}”.</Notice>
				)}
				{beside && (
					<button type="button" className="plain-add justify-self-start" onClick={beside.onClose}>
						{beside.words}
					</button>
				)}
			</div>
		);
	}
	if (!item.data) {
		return <Opening queries={[item]} />;
	}
	if ("id" in item.data && item.data.type !== key) {
		// Redirects to the form of the item's own type.
		return <Navigate to={`/content/${item.data.type}/${item.data.id}`} replace />;
	}
	return "id" in item.data ? (
		<ItemForm key={id} type={type} item={item.data} begun={item.data} beside={beside} />
	) : (
		<ItemForm key="new" type={type} item={null} begun={item.data} />
	);
}
