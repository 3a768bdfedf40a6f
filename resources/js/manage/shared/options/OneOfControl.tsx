import { Labelled } from "./Labelled";
import type { OptionProps } from "./props";

/** Chooses one of a few named values. */
export function OneOfControl({ option, now, put, word }: OptionProps) {
	return (
		<Labelled label={option.label}>
			<select
				className="select select-sm w-auto max-w-48"
				data-word={word}
				value={String(now ?? "")}
				onChange={(event) => put(event.target.value)}
			>
				{option.choices?.map((one) => (
					<option key={one.value} value={one.value}>
						{one.label}
					</option>
				))}
			</select>
		</Labelled>
	);
}
