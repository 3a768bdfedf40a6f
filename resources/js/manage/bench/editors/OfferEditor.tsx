import { useState } from "react";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { RowTools, TextInput } from "../../shared/inputs";
import { moved } from "../../shared/lists";
import { OptionControl } from "../../shared/OptionControl";
import type { Condition, Definition, Offer, OfferedFilter, OfferedOrder } from "../../shared/schema";
import { fieldOf, useStart } from "../../shared/start";
import { isGroup } from "../definition";
import { useSource } from "../source";
import { useOffering } from "../useOffering";
import { ConditionEditor } from "./ConditionEditor";
import type { EditorProps } from "./props";

/** What visitors choose: filters with their controls, orders, page sizes, and how all that stands. */
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
				<FilterRow
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
			<Orders bench={bench} />
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

/** Changes what is offered; an offer of nothing goes. */
function useSetOffer({ definition, change }: EditorProps["bench"]) {
	return (next: Offer, tag: string | null = null) => {
		const said = Object.fromEntries(
			Object.entries(next).filter(([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0)),
		);
		const isNothing = !["filters", "orders", "sizes", "arrangements"].some((key) => key in said);
		const { offer: _, ...rest } = definition;
		change(
			(isNothing ? rest : { ...rest, offer: { ...said, key: definition.offer?.key ?? definition.key } }) as Definition,
			tag,
		);
	};
}

function FilterRow({
	filter,
	index,
	count,
	bench,
	isOpen,
	onOpen,
	onChange,
	onMove,
	onRemove,
}: {
	filter: OfferedFilter;
	index: number;
	count: number;
	bench: EditorProps["bench"];
	isOpen: boolean;
	onOpen: () => void;
	onChange: (next: OfferedFilter, tag?: string | null) => void;
	onMove: (to: number) => void;
	onRemove: () => void;
}) {
	const source = useSource();
	const { filterControls } = useStart();
	const { turn } = useOffering(bench);
	const field = fieldOf(source, filter.field);
	const label = filter.label ?? field?.label ?? filter.field;
	const control = filterControls.find((one) => one.key === filter.as);
	const put = (next: Partial<OfferedFilter>, tag: string | null = null) =>
		onChange(
			Object.fromEntries(
				Object.entries({ ...filter, ...next }).filter(([, value]) => value !== undefined),
			) as OfferedFilter,
			tag,
		);
	const pickControl = (as: string) => {
		const { join, rule, ...rest } = filter;
		const next = filterControls.find((one) => one.key === as);
		onChange({
			...rest,
			as,
			...(next?.takesSeveral && join ? { join } : {}),
			...(next?.takesRule ? { rule: rule ?? { field: filter.field, test: "filled" } } : {}),
		} as OfferedFilter);
	};
	return (
		<div className="grid gap-2 border-b border-base-300 pb-2">
			<div className="flex flex-wrap items-center gap-2">
				<button
					type="button"
					className="word"
					aria-expanded={isOpen}
					data-word={`offer.filters[${index}]`}
					onClick={onOpen}
				>
					{label}
				</button>
				<select
					className="select select-sm w-auto max-w-44"
					aria-label={`${label}: by`}
					value={filter.as}
					onChange={(event) => pickControl(event.target.value)}
				>
					{filterControls
						.filter((one) => field?.controls.includes(one.key) || one.key === filter.as)
						.map((one) => (
							<option key={one.key} value={one.key}>
								by {one.words}
							</option>
						))}
				</select>
				<span className="flex-1" />
				<RowTools what={label} index={index} count={count} onMove={onMove} onRemove={onRemove} />
			</div>
			{isOpen && (
				<div className="grid gap-2 pl-3 border-l-2 border-base-300 text-[0.9rem]">
					<div className="flex flex-wrap items-center gap-2">
						<span className="text-quiet">Called</span>
						<TextInput label="What visitors read" value={label} onChange={(next) => put({ label: next }, "label")} />
					</div>
					{control?.takesSeveral && field?.family !== "choice" && (
						<label className="flex items-center gap-2">
							<span className="text-quiet">Several chosen keep</span>
							<select
								className="select select-sm w-auto"
								value={filter.join ?? "any"}
								onChange={(event) => put({ join: event.target.value === "all" ? "all" : undefined })}
							>
								<option value="any">records that have any of them</option>
								<option value="all">records that have all of them</option>
							</select>
						</label>
					)}
					{control?.takesRule && filter.rule !== undefined && !isGroup(filter.rule) && (
						<ConditionEditor
							condition={filter.rule as Condition}
							onChange={(rule, tag) => put({ rule }, tag ?? null)}
							bench={bench}
							before="choices"
							tag={`offer.filters[${index}].rule`}
						/>
					)}
					{control?.takesRule && filter.rule !== undefined && isGroup(filter.rule) && (
						<p className="text-quiet">It keeps what a group of rules does; change that as JSON.</p>
					)}
					{(control?.settings ?? []).map((option) => (
						<OptionControl
							key={option.key}
							option={option}
							value={filter[option.key]}
							onChange={(next) => put({ [option.key]: next } as Partial<OfferedFilter>)}
						/>
					))}
					<div className="flex flex-wrap gap-x-4 gap-y-1.5">
						<label className="flex items-center gap-2">
							<input
								type="checkbox"
								className="checkbox checkbox-sm"
								checked={filter.counts ?? true}
								onChange={(event) => put({ counts: event.target.checked ? undefined : false })}
							/>
							with counts
						</label>
						<label className="flex items-center gap-2">
							<input
								type="checkbox"
								className="checkbox checkbox-sm"
								checked={filter.open ?? true}
								onChange={(event) => put({ open: event.target.checked ? undefined : false })}
							/>
							open at first
						</label>
						<OptionControl
							option={{ key: "most", label: "Options before “more”", kind: "whole", default: null, min: 1, max: 500 }}
							value={filter.most}
							onChange={(most) => put({ most: most as number | undefined } as Partial<OfferedFilter>)}
						/>
					</div>
					<button
						type="button"
						className="plain-add justify-self-start"
						onClick={() => turn(`offer.filters[${index}]`)}
					>
						Make it a rule of the module
					</button>
				</div>
			)}
		</div>
	);
}

/** A field that visitors may filter by from now on. */
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
					...(takesRule ? { rule: { field: field.key, test: "filled" } } : {}),
				});
			}}
		/>
	);
}

/** Orders, each with the name that visitors read and the key that it begins with. */
function Orders({ bench }: Pick<EditorProps, "bench">) {
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
	const unused = source.orders.find((one) => !orders.some((order) => order.order[0]?.by === one.key));
	return (
		<fieldset className="grid gap-2">
			<legend className="text-quiet text-[0.85rem] mb-1">Orders to choose from</legend>
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
								order: [{ by: event.target.value, direction: "up", empty: "last" }, ...order.order.slice(1)],
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
			{unused && (
				<button
					type="button"
					className="plain-add justify-self-start"
					data-word="offer.orders"
					onClick={() => {
						const keys = orders.map((one) => one.key);
						let n = orders.length + 1;
						while (keys.includes(`order-${n}`)) {
							n += 1;
						}
						put([
							...orders,
							{
								key: `order-${n}`,
								name: unused.label,
								order: [{ by: unused.key, direction: unused.goesUp ? "up" : "down", empty: "last" }],
							},
						]);
					}}
				>
					+ an order
				</button>
			)}
		</fieldset>
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
