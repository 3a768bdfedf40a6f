import type { OptionProps } from "./props";

/** Yes or no. */
export function FlagControl({ option, now, put }: OptionProps) {
	return (
		<label className="flex items-center gap-2 text-sm">
			<input
				type="checkbox"
				className="checkbox checkbox-sm"
				checked={now === true}
				onChange={(event) => put(event.target.checked)}
			/>
			{option.label}
		</label>
	);
}
