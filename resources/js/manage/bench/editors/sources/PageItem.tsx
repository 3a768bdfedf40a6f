import { useStart } from "../../../shared/api/start";
import type { SourceControlProps } from "./props";

/** The item that the page is about: of one type, or of any. */
export function PageItem({ source, onPick }: SourceControlProps) {
	const { types } = useStart();
	return (
		<label className="flex items-center gap-2">
			of the type
			<select
				className="select select-sm w-auto"
				value={source.type ?? ""}
				onChange={(event) =>
					onPick(event.target.value === "" ? { page: "item" } : { page: "item", type: event.target.value })
				}
			>
				<option value="">any, with the fields that all share</option>
				{types.map((one) => (
					<option key={one.key} value={one.key}>
						{one.label}
					</option>
				))}
			</select>
		</label>
	);
}
