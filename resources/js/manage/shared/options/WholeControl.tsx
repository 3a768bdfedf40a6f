import { NumberInput } from "../controls/NumberInput";
import { Labelled } from "./Labelled";
import type { OptionProps } from "./props";

/** A whole number, which may be empty. */
export function WholeControl({ option, now, onChange, put, word }: OptionProps) {
	return (
		<Labelled label={option.label} after={option.unit}>
			{typeof now === "number" ? (
				<>
					<NumberInput
						label={option.label}
						word={word}
						value={now}
						min={option.min}
						max={option.max}
						step={option.step}
						whole
						className="w-18"
						onChange={put}
					/>
					{option.default === null && (
						<button type="button" className="plain-add" onClick={() => onChange(undefined)}>
							Remove
						</button>
					)}
				</>
			) : (
				<button type="button" className="plain-add" onClick={() => onChange(Math.max(option.min ?? 1, 3))}>
					Set
				</button>
			)}
		</Labelled>
	);
}
