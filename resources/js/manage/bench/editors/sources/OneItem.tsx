import { useStart } from "../../../shared/api/start";
import { PickItem } from "../../../shared/fields/PickItem";
import type { SourceControlProps } from "./props";

export function OneItem({ source, onNarrow, onPick }: SourceControlProps) {
	const { types } = useStart();
	return (
		<div className="grid gap-2">
			<div className="flex flex-wrap gap-2">
				<select
					className="select select-sm w-auto"
					aria-label="Type of the item"
					value={source.type}
					onChange={(event) => onPick({ one: "", type: event.target.value })}
				>
					{types.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
				</select>
				<div className="w-52">
					<PickItem
						label="Find the item by title"
						type={source.type ?? ""}
						value={source.one ?? null}
						keyOf={(item) => String(item.values.slug)}
						onPick={(slug) => slug !== null && onNarrow({ ...source, one: slug })}
					/>
				</div>
			</div>
		</div>
	);
}
