import type { OptionProps } from "./props";

/** Chooses at least one of a few named values. */
export function SeveralControl({ option, now, put }: OptionProps) {
	const chosen = Array.isArray(now) ? (now as string[]) : [];
	return (
		<fieldset className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
			<legend className="float-left mr-3 text-quiet">{option.label}</legend>
			{option.choices?.map((one) => (
				<label key={one.value} className="flex items-center gap-1.5">
					<input
						type="checkbox"
						className="checkbox checkbox-xs"
						checked={chosen.includes(one.value)}
						disabled={chosen.length === 1 && chosen.includes(one.value)}
						onChange={(event) =>
							put(
								option.choices
									?.map((choice) => choice.value)
									.filter((key) => (key === one.value ? event.target.checked : chosen.includes(key))),
							)
						}
					/>
					{one.label}
				</label>
			))}
		</fieldset>
	);
}
