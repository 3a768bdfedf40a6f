import { useState } from "react";
import type { EmptyRule, Part } from "../../shared/api/schema";
import { partLabel } from "../../shared/card/part";
import { EmptyRuleControl } from "../../shared/controls/EmptyRuleControl";
import { withAt } from "../definition";
import { useSource } from "../source";
import { FillIn } from "../stream/FillIn";
import type { EditorProps } from "./props";

/** The empty-value rules of parts, with the number of records that have a value. */
export function EmptyEditor({ bench, preview }: EditorProps) {
	const { definition } = bench;
	const parts = definition.card.lines.flatMap((line, l) =>
		line.parts.map((part, p) => [`card.lines[${l}].parts[${p}]`, part] as const),
	);
	return (
		<ul className="grid gap-3">
			{parts.map(([place, part]) => (
				<PartRule key={place} place={place} part={part} bench={bench} preview={preview} />
			))}
		</ul>
	);
}

function PartRule({ place, part, bench, preview }: EditorProps & { place: string; part: Part }) {
	const { definition, change } = bench;
	const type = useSource();
	const [filling, setFilling] = useState(false);
	const missing = preview.empty.parts[place] ?? 0;
	const all = preview.steps.find((one) => one.step === "leaveOut")?.left ?? 0;
	const label = partLabel(type, part);
	const set = (next: EmptyRule) =>
		change(
			withAt(definition, `${place}.empty`, next.do === "leaveOut" ? undefined : next),
			next.do === "say" ? `${place}.empty` : null,
		);

	return (
		<li className="grid gap-1.5">
			<div className="flex flex-wrap items-baseline gap-x-2">
				<span className="font-semibold break-words">{label}</span>
				{place in preview.empty.parts && (
					<span className={`text-xs ${missing > 0 ? "text-secondary" : "text-quiet"}`}>
						{missing > 0 ? `${all - missing} of ${all}` : all > 0 ? `all ${all} have one` : ""}
					</span>
				)}
				{missing > 0 && type.isItems && (
					<button type="button" className="plain-add text-sm" onClick={() => setFilling(true)}>
						Fill in the {missing === 1 ? "one" : missing} without
					</button>
				)}
			</div>
			<EmptyRuleControl
				label={label}
				rule={part.empty ?? { do: "leaveOut" }}
				type={type}
				alone={definition.arrange.as === "spotlight"}
				onChange={set}
			/>
			{filling && <FillIn bench={bench} place={place} label={label} onClose={() => setFilling(false)} />}
		</li>
	);
}
