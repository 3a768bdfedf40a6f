import type { OfferedOrder } from "../../../shared/api/schema";
import { AddByChoice, RowTools, TextInput } from "../../../shared/controls/inputs";
import { moved } from "../../../shared/controls/lists";
import { begun, useSource } from "../../source";
import { useSetOffer } from "../../useOffering";
import type { EditorProps } from "../props";

/** Orders for visitors, each with its name and its first sort key. */
export function OfferedOrders({ bench }: Pick<EditorProps, "bench">) {
	const source = useSource();
	const offer = bench.definition.offer ?? {};
	const set = useSetOffer(bench);
	const orders = offer.orders ?? [];
	const put = (next: OfferedOrder[], tag: string | null = null) => set({ ...offer, orders: next }, tag);
	const change = (i: number, next: Partial<OfferedOrder>, tag: string | null = null) =>
		put(
			orders.map((one, other) => (other === i ? { ...one, ...next } : one)),
			tag,
		);
	const labelOf = (by: string | undefined) => source.orders.find((one) => one.key === by)?.label;
	return (
		<fieldset className="grid gap-2">
			<legend className="text-quiet text-sm mb-1">Orders to choose from</legend>
			{orders.map((order, i) => (
				// biome-ignore lint/suspicious/noArrayIndexKey: an order is known by its place
				<div key={i} className="flex flex-wrap items-center gap-2">
					<TextInput
						label={`Order ${i + 1}: called`}
						value={order.name}
						className="w-36"
						onChange={(name) => change(i, { name }, `orders[${i}]`)}
					/>
					<select
						className="select select-sm w-auto max-w-40"
						aria-label={`Order ${i + 1}: by`}
						value={order.order[0]?.by ?? ""}
						onChange={(event) =>
							change(i, {
								// A default name follows the chosen order.
								...(order.name === labelOf(order.order[0]?.by)
									? { name: labelOf(event.target.value) ?? order.name }
									: {}),
								order: [begun(source, event.target.value), ...order.order.slice(1)],
							})
						}
					>
						{source.orders.map((one) => (
							<option key={one.key} value={one.key}>
								{one.label}
							</option>
						))}
					</select>
					<select
						className="select select-sm w-auto max-w-36"
						aria-label={`Order ${i + 1}: direction`}
						value={order.order[0]?.direction ?? "up"}
						onChange={(event) => {
							const [first, ...rest] = order.order;
							if (first) {
								change(i, { order: [{ ...first, direction: event.target.value as "up" | "down" }, ...rest] });
							}
						}}
					>
						{(["up", "down"] as const).map((one) => (
							<option key={one} value={one}>
								{source.orders.find((offered) => offered.key === order.order[0]?.by)?.directions[one] || one}
							</option>
						))}
					</select>
					<RowTools
						what={order.name}
						index={i}
						count={orders.length}
						onMove={(to) => put(moved(orders, i, to))}
						onRemove={() => put(orders.filter((_, other) => other !== i))}
					/>
				</div>
			))}
			<AddByChoice
				label="+ an order by…"
				word="offer.orders"
				options={source.orders}
				onPick={(by) => {
					const keys = orders.map((one) => one.key);
					let n = orders.length + 1;
					while (keys.includes(`order-${n}`)) {
						n += 1;
					}
					put([...orders, { key: `order-${n}`, name: labelOf(by) ?? by, order: [begun(source, by)] }]);
				}}
			/>
		</fieldset>
	);
}
