import type { SortKey } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { AddByChoice, RowTools } from "../../shared/controls/inputs";
import { moved } from "../../shared/controls/lists";
import { NumberInput } from "../../shared/controls/NumberInput";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { withAt } from "../definition";
import { begun, useSource } from "../source";
import type { Bench } from "../useBench";

/** The sort keys in order. */
export function OrderEditor({ bench }: { bench: Bench }) {
	const { definition, change } = bench;
	const source = useSource();
	const keys = definition.order;
	const set = (order: SortKey[], tag: string | null = null) => change({ ...definition, order }, tag);
	return (
		<div className="grid gap-2">
			{keys.map((key, i) => {
				const offered = source.orders.find((one) => one.key === key.by);
				const put = (next: Partial<SortKey>, tag: string | null = null) =>
					set(
						keys.map((one, other) => (other === i ? { ...one, ...next } : one)),
						tag,
					);
				return (
					// biome-ignore lint/suspicious/noArrayIndexKey: a key is known by its place
					<div key={i} className="flex flex-wrap items-center gap-2">
						<select
							className="select select-sm w-auto max-w-48"
							aria-label={`Key ${i + 1}: by`}
							data-word={`order[${i}].by`}
							value={key.by}
							onChange={(event) =>
								set(keys.map((one, other) => (other === i ? begun(source, event.target.value) : one)))
							}
						>
							{!offered && <option value={key.by}>{key.by}: no longer there</option>}
							{source.orders.map((one) => (
								<option key={one.key} value={one.key}>
									{one.label}
								</option>
							))}
						</select>
						{(offered?.directions.up || offered?.directions.down) && (
							<select
								className="select select-sm w-auto max-w-40"
								aria-label={`Key ${i + 1}: direction`}
								data-word={`order[${i}].direction`}
								value={key.direction}
								onChange={(event) => put({ direction: event.target.value as SortKey["direction"] })}
							>
								<option value="up">{offered.directions.up || "first first"}</option>
								<option value="down">{offered.directions.down || "last first"}</option>
							</select>
						)}
						<More sortKey={key} put={(next) => put(next, `order[${i}]`)} />
						{!["shuffle", "byHand", "popularity", "sharedTerms", "relevance"].includes(key.by) && (
							<select
								className="select select-sm w-auto max-w-40"
								aria-label={`Key ${i + 1}: empty ones`}
								value={key.empty}
								onChange={(event) => put({ empty: event.target.value as SortKey["empty"] })}
							>
								<option value="last">empty ones last</option>
								<option value="first">empty ones first</option>
							</select>
						)}
						<RowTools
							what={offered?.label ?? key.by}
							index={i}
							count={keys.length}
							onMove={(to) => set(moved(keys, i, to))}
							onRemove={keys.length > 1 ? () => set(keys.filter((_, other) => other !== i)) : undefined}
						/>
					</div>
				);
			})}
			<div className="flex flex-wrap gap-4 text-sm">
				<AddByChoice
					label="+ then by…"
					options={source.orders.filter((one) => !keys.some((key) => key.by === one.key))}
					onPick={(by) => set([...keys, begun(source, by)])}
				/>
				{!definition.headings && source.headings[0] && (
					<button
						type="button"
						className="plain-add"
						onClick={() => {
							const first =
								source.headings.find((one) => ["terms", "choice", "instant", "date"].includes(one.family)) ??
								source.headings[0];
							const days = first?.family === "date" || first?.family === "instant";
							change(
								withAt(definition, "headings", { by: first?.key, ...(days ? { per: "month" } : {}), direction: "up" }),
							);
						}}
					>
						+ under headings
					</button>
				)}
			</div>
		</div>
	);
}

/** Options of a criterion besides its direction. */
function More({ sortKey, put }: { sortKey: SortKey; put: (next: Partial<SortKey>) => void }) {
	const { taxonomies } = useStart();
	const source = useSource();
	if (sortKey.by === "popularity") {
		return (
			<span className="flex items-center gap-2">
				of the last
				<NumberInput
					label="Days whose views count"
					value={sortKey.days ?? 30}
					min={1}
					max={3660}
					whole
					className="w-18"
					onChange={(days) => put({ days })}
				/>
				days
			</span>
		);
	}
	if (sortKey.by === "weightedRating") {
		return (
			<span className="flex items-center gap-2">
				as if each had
				<NumberInput
					label="Ratings that each is lent"
					value={sortKey.confidence ?? 5}
					min={0}
					max={100000}
					whole
					className="w-18"
					onChange={(confidence) => put({ confidence })}
				/>
				middling ratings more
			</span>
		);
	}
	if (sortKey.by === "byHand") {
		const terms = taxonomies
			.filter((one) => source.taxonomies.includes(one.key))
			.flatMap((one) => one.terms.map((term) => [`${one.key}/${term.slug}`, `${one.label}: ${term.name}`] as const));
		return (
			<div className="w-48">
				<PickByTyping
					label="Whose own order"
					placeholder="of the type"
					options={terms.map(([key, label]) => ({ key, label }))}
					value={sortKey.term ? `${String(sortKey.of)}/${sortKey.term}` : null}
					onPick={(key) => {
						const [of, term] = (key ?? "").split("/");
						put(term ? { of: of ?? "", term } : ({ of: undefined, term: undefined } as unknown as Partial<SortKey>));
					}}
				/>
			</div>
		);
	}
	return null;
}
