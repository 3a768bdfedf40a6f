import type { ReactNode } from "react";
import type { Option, Part, SourceRecords } from "../api/schema";
import { fieldOf, useStart } from "../api/start";
import { OptionControl } from "../options/OptionControl";
import { BadgeRule } from "./BadgeRule";
import { partLabel } from "./part";

/** The options of one part. */
export function PartOptions({
	type,
	part,
	word,
	onChange,
	onRemove,
	beside,
}: {
	type: SourceRecords;
	part: Part;
	word: string;
	onChange: (next: Part, tag: string | null) => void;
	onRemove: (() => void) | undefined;
	beside: ((part: Part, put: (next: Part) => void) => ReactNode) | undefined;
}) {
	const { parts, partStyle } = useStart();
	const isNumber = part.part === "views" || fieldOf(type, part.field ?? "")?.family === "number";
	const own = (parts.find((one) => one.key === part.part)?.options ?? []).filter(
		// Options for some fields only, and the older form of an excerpt, which files may still contain.
		(one) =>
			(one.key !== "message" || isNumber) && (part.part !== "excerpt" || one.key !== "mark" || part.mark !== undefined),
	);
	const label = partLabel(type, part);
	const control = (option: Option) => (
		<OptionControl
			key={option.key}
			option={option}
			value={part[option.key]}
			word={`${word}.${option.key}`}
			fields={type.fields}
			onChange={(next) => {
				const { [option.key]: _, ...rest } = part;
				onChange((next === undefined ? rest : { ...rest, [option.key]: next }) as Part, `${word}.${option.key}`);
			}}
		/>
	);
	return (
		<fieldset className="border-t border-base-300 pt-2 grid gap-2" aria-label={`Options of ${label}`}>
			<div className="flex flex-wrap gap-x-4 gap-y-2">{own.map(control)}</div>
			{part.part === "badge" && <BadgeRule type={type} part={part} onChange={(next) => onChange(next, null)} />}
			<details>
				<summary className="text-sm text-quiet cursor-pointer">Label, emphasis, widths</summary>
				<div className="flex flex-wrap gap-x-4 gap-y-2 pt-2">{partStyle.map(control)}</div>
			</details>
			{beside?.(part, (next) => onChange(next, null))}
			{onRemove && (
				<button
					type="button"
					className="plain-add justify-self-start"
					aria-label={`Remove ${label}`}
					onClick={onRemove}
				>
					Remove
				</button>
			)}
		</fieldset>
	);
}
