import { useState } from "react";
import { useStart } from "../../../shared/api/start";
import { type SourceControlProps, toggled } from "./props";

/** The content types of the items, months or years, and the date field of months and years. */
export function DrawnTypes({ source, onNarrow, onPick }: SourceControlProps) {
	const { types } = useStart();
	const of = source.months ? "months" : source.years ? "years" : "items";
	const drawn = source[of] ?? [];
	const [several, setSeveral] = useState(drawn.length > 1);
	const dates = types
		.filter((one) => drawn.includes(one.key))
		.flatMap((one) => one.fields)
		.filter((one) => one.family === "date" || one.family === "instant");
	const pick = (key: string) => {
		if (several) {
			const next = toggled(drawn, key);
			next.length > 0 && onNarrow({ ...source, [of]: next });
		} else if (!drawn.includes(key)) {
			onPick({ ...source, [of]: [key], ...(source.by ? { by: "publish_at" } : {}) });
		}
	};
	return (
		<>
			<fieldset className="flex flex-wrap gap-1.5">
				<legend className="sr-only">Types</legend>
				{types.map((type) => (
					<button
						key={type.key}
						type="button"
						className="chip"
						aria-pressed={drawn.includes(type.key)}
						onClick={() => pick(type.key)}
					>
						{type.plural}
					</button>
				))}
				<label className="flex items-center gap-2 basis-full text-sm">
					<input
						type="checkbox"
						className="toggle toggle-sm"
						checked={several}
						disabled={drawn.length > 1}
						onChange={(event) => setSeveral(event.target.checked)}
					/>
					several types together, with the fields they share
				</label>
			</fieldset>
			{of !== "items" && (
				<label className="flex items-center gap-2">
					by
					<select
						className="select select-sm w-auto"
						value={source.by}
						onChange={(event) => onNarrow({ ...source, by: event.target.value })}
					>
						{[...new Map(dates.map((one) => [one.key, one.label]))].map(([key, label]) => (
							<option key={key} value={key}>
								{label}
							</option>
						))}
					</select>
				</label>
			)}
		</>
	);
}
