import { fieldOf, useType } from "../../shared/start";
import type { SortKey } from "../../shared/types";
import { moved } from "../definition";
import type { Bench } from "../useBench";
import { RowTools } from "./inputs";

/** The keys that records are ordered by, first to last. */
export function OrderEditor({ bench }: { bench: Bench }) {
	const { definition, change } = bench;
	const type = useType(definition.source.items[0]);
	const fields = type.fields.filter((one) => one.directions !== null);
	const keys = definition.order;
	const set = (order: SortKey[]) => change({ ...definition, order });
	const unused = fields.find((one) => !keys.some((key) => key.by === one.key));

	return (
		<div className="grid gap-2">
			{keys.map((key, i) => {
				const field = fieldOf(type, key.by);
				const put = (next: Partial<SortKey>) =>
					set(keys.map((one, other) => (other === i ? { ...one, ...next } : one)));
				return (
					// biome-ignore lint/suspicious/noArrayIndexKey: a key is known by its place
					<div key={i} className="flex flex-wrap items-center gap-2">
						<select
							className="select select-sm w-auto max-w-40"
							aria-label={`Key ${i + 1}: field`}
							value={key.by}
							onChange={(event) => put({ by: event.target.value })}
						>
							{fields.map((one) => (
								<option key={one.key} value={one.key}>
									{one.label}
								</option>
							))}
						</select>
						<select
							className="select select-sm w-auto max-w-40"
							aria-label={`Key ${i + 1}: direction`}
							value={key.direction}
							onChange={(event) => put({ direction: event.target.value as SortKey["direction"] })}
						>
							<option value="up">{field?.directions?.up}</option>
							<option value="down">{field?.directions?.down}</option>
						</select>
						<select
							className="select select-sm w-auto max-w-40"
							aria-label={`Key ${i + 1}: empty ones`}
							value={key.empty}
							onChange={(event) => put({ empty: event.target.value as SortKey["empty"] })}
						>
							<option value="last">empty ones last</option>
							<option value="first">empty ones first</option>
						</select>
						<RowTools
							what={field?.label ?? key.by}
							index={i}
							count={keys.length}
							onMove={(to) => set(moved(keys, i, to))}
							onRemove={keys.length > 1 ? () => set(keys.filter((_, other) => other !== i)) : undefined}
						/>
					</div>
				);
			})}
			{unused && (
				<button
					type="button"
					className="plain-add justify-self-start"
					onClick={() => set([...keys, { by: unused.key, direction: "up", empty: "last" }])}
				>
					+ then by
				</button>
			)}
		</div>
	);
}
