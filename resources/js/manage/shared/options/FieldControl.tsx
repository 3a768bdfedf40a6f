import { Labelled } from "./Labelled";
import type { OptionProps } from "./props";

/** Chooses a field of the records with a suitable family. */
export function FieldControl({ option, now, put, fields, word }: OptionProps) {
	const families = option.choices?.map((one) => one.value) ?? [];
	const fit = fields.filter((one) => families.includes(one.family));
	return (
		<Labelled label={option.label}>
			<select
				className="select select-sm w-auto max-w-48"
				data-word={word}
				value={String(now ?? "")}
				onChange={(event) => put(event.target.value === "" ? undefined : event.target.value)}
			>
				{option.default === "" && <option value="">—</option>}
				{fit.map((one) => (
					<option key={one.key} value={one.key}>
						{one.label}
					</option>
				))}
			</select>
		</Labelled>
	);
}
