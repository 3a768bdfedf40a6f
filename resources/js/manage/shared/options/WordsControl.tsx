import { Labelled } from "./Labelled";
import type { OptionProps } from "./props";

/** A line of text. */
export function WordsControl({ option, now, put, word }: OptionProps) {
	return (
		<Labelled label={option.label}>
			<input
				key={String(now ?? "")}
				className="input input-sm w-44"
				data-word={word}
				placeholder={option.hint ?? ""}
				defaultValue={String(now ?? "")}
				onBlur={(event) => {
					const next = event.target.value.trim();
					if (next !== String(now ?? "") && (next !== "" || option.default !== null)) {
						put(next === "" ? undefined : next);
					}
				}}
				onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
			/>
		</Labelled>
	);
}
