import type { LookFile, Looks, Option } from "../shared/api/schema";
import { OptionControl } from "../shared/options/OptionControl";
import { Word } from "../shared/Word";
import type { Note } from "./notes";

/** Options of a look as words of a sentence that open in place. */
export function OptionWords({
	says,
	groups,
	look,
	onChange,
}: {
	says: Note["says"];
	groups: Looks["groups"];
	look: LookFile;
	onChange: (group: string, option: string, value: unknown) => void;
}) {
	return (
		<>
			{says.map((one, i) => {
				if (typeof one === "string") {
					// biome-ignore lint/suspicious/noArrayIndexKey: a text is known by its place in the sentence
					return <span key={i}>{one}</span>;
				}
				const [group = "", key = ""] = one.option.split(".");
				const option = groups.find((its) => its.key === group)?.options.find((its) => its.key === key);
				if (!option) {
					return null;
				}
				const value = (look[group] as Record<string, unknown> | undefined)?.[key] ?? option.default;
				return (
					<Word key={one.option} words={wordsOf(option, value)} label={option.label}>
						<OptionControl
							option={option}
							value={value}
							onChange={(next) => onChange(group, key, next === undefined ? option.default : next)}
						/>
					</Word>
				);
			})}
		</>
	);
}

function wordsOf(option: Option, value: unknown): string {
	switch (option.kind) {
		case "oneOf": {
			const label = option.choices?.find((one) => one.value === value)?.label ?? String(value);
			// Font names keep their capitals.
			return option.key === "headings" || option.key === "text" || option.key === "interface"
				? label
				: label.charAt(0).toLowerCase() + label.slice(1);
		}
		case "flag":
			return value === true ? option.label.toLowerCase() : `not ${option.label.toLowerCase()}`;
		default:
			return `${value}${option.unit ? ` ${option.unit}` : ""}`;
	}
}
