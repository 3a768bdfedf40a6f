import { Labelled } from "./Labelled";
import type { OptionProps } from "./props";

/** A short list of whole numbers. */
export function WholesControl({ option, now, put, word }: OptionProps) {
	return (
		<Labelled label={option.label} after={option.unit}>
			<input
				key={JSON.stringify(now)}
				className="input input-sm w-36"
				data-word={word}
				placeholder="8, 16, 32"
				defaultValue={Array.isArray(now) ? now.join(", ") : ""}
				onBlur={(event) => {
					const next = (event.target.value.match(/\d+/g) ?? [])
						.map(Number)
						.filter((one) => one >= (option.min ?? 1) && one <= (option.max ?? Number.MAX_SAFE_INTEGER));
					put([...new Set(next)]);
				}}
				onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
			/>
		</Labelled>
	);
}
