import { useState } from "react";
import type { OfferedFilter } from "../../../shared/api/schema";
import { useStart } from "../../../shared/api/start";
import { moved } from "../../../shared/controls/lists";
import { PickByTyping } from "../../../shared/fields/PickByTyping";
import { OptionControl } from "../../../shared/options/OptionControl";
import { finishedCondition } from "../../definition";
import { useSource } from "../../source";
import { useSetOffer } from "../../useOffering";
import type { EditorProps } from "../props";
import { OfferedFilterRow } from "./OfferedFilterRow";
import { OfferedOrders } from "./OfferedOrders";

/** The choices of visitors: filters with their controls, orders, page sizes, and their layout. */
export function OfferEditor({ bench, at }: EditorProps & { at: string }) {
	const { definition } = bench;
	const { offer: settings } = useStart();
	const offer = definition.offer ?? {};
	const set = useSetOffer(bench);
	const [open, setOpen] = useState(Number(/filters\[(\d+)\]/.exec(at)?.[1] ?? -1));
	if (offer.follow !== undefined) {
		return (
			<p>
				It follows what visitors choose for “{offer.follow}”.{" "}
				<button type="button" className="plain-add" onClick={() => set({})}>
					Let it have choices of its own
				</button>
			</p>
		);
	}
	const filters = offer.filters ?? [];
	const setFilters = (next: OfferedFilter[], tag: string | null = null) => set({ ...offer, filters: next }, tag);
	return (
		<div className="grid gap-3">
			{filters.map((filter, i) => (
				<OfferedFilterRow
					// biome-ignore lint/suspicious/noArrayIndexKey: a filter is known by its place
					key={i}
					filter={filter}
					index={i}
					count={filters.length}
					bench={bench}
					isOpen={open === i}
					onOpen={() => setOpen(open === i ? -1 : i)}
					onChange={(next, tag) =>
						setFilters(
							filters.map((one, other) => (other === i ? next : one)),
							tag,
						)
					}
					onMove={(to) => setFilters(moved(filters, i, to))}
					onRemove={() => setFilters(filters.filter((_, other) => other !== i))}
				/>
			))}
			<AddFilter
				filters={filters}
				onAdd={(filter) => {
					setFilters([...filters, filter]);
					setOpen(filters.length);
				}}
			/>
			<OfferedOrders bench={bench} />
			<Sizes bench={bench} />
			<div className="flex flex-wrap gap-x-4 gap-y-2 border-t border-base-300 pt-2">
				{settings.map((option) => (
					<OptionControl
						key={option.key}
						option={option}
						value={offer[option.key]}
						word={`offer.${option.key}`}
						onChange={(next) => set({ ...offer, [option.key]: next })}
					/>
				))}
			</div>
		</div>
	);
}

/** Adds a filter on a field. */
function AddFilter({ filters, onAdd }: { filters: OfferedFilter[]; onAdd: (filter: OfferedFilter) => void }) {
	const source = useSource();
	const { filterControls } = useStart();
	const fields = source.fields.filter((one) => one.controls.length > 0);
	return (
		<PickByTyping
			key={filters.length}
			label="Add a filter"
			placeholder="+ a field to filter by"
			options={fields.map((one) => ({ key: one.key, label: one.label }))}
			value={null}
			onPick={(key) => {
				const field = fields.find((one) => one.key === key);
				const as = field?.controls.find((one) => one === "checks") ?? field?.controls[0];
				if (!field || !as) {
					return;
				}
				const names = filters.map((one) => one.name ?? one.field);
				let name = field.key;
				for (let n = 2; names.includes(name); n++) {
					name = `${field.key}-${n}`;
				}
				const takesRule = filterControls.find((one) => one.key === as)?.takesRule;
				onAdd({
					field: field.key,
					as,
					...(name === field.key ? {} : { name }),
					...(takesRule ? { rule: finishedCondition(field) } : {}),
				});
			}}
		/>
	);
}

function Sizes({ bench }: Pick<EditorProps, "bench">) {
	const offer = bench.definition.offer ?? {};
	const set = useSetOffer(bench);
	return (
		<OptionControl
			option={{ key: "sizes", label: "Page sizes to choose from", kind: "wholes", default: [], min: 1, max: 200 }}
			value={offer.sizes}
			word="offer.sizes"
			onChange={(sizes) => set({ ...offer, sizes: (sizes as number[] | undefined) ?? [] })}
		/>
	);
}
