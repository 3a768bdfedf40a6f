import { useState } from "react";
import { partLabel } from "../../shared/CardLines";
import { TextInput } from "../../shared/inputs";
import type { EmptyRule, Part } from "../../shared/schema";
import { withAt } from "../definition";
import { useSource } from "../source";
import type { EditorProps } from "./props";

/** What happens where a part has nothing to show, with how many records that touches. */
export function EmptyEditor({ bench, look }: EditorProps) {
	const { definition } = bench;
	const parts = definition.card.lines.flatMap((line, l) =>
		line.parts.map((part, p) => [`card.lines[${l}].parts[${p}]`, part] as const),
	);
	return (
		<ul className="grid gap-2.5">
			{parts.map(([place, part]) => (
				<PartRule key={place} place={place} part={part} bench={bench} look={look} />
			))}
		</ul>
	);
}

function PartRule({ place, part, bench, look }: EditorProps & { place: string; part: Part }) {
	const { definition, change } = bench;
	const type = useSource();
	const [saying, setSaying] = useState(false);
	const rule = part.empty ?? { do: "leaveOut" };
	const missing = look.empty.parts[place] ?? 0;
	const label = partLabel(type, part);
	const set = (next: EmptyRule, tag: string | null = null) =>
		change(withAt(definition, `${place}.empty`, next.do === "leaveOut" ? undefined : next), tag);
	const says = saying || rule.do === "say";

	return (
		<li className="grid gap-1.5">
			<div className="flex flex-wrap items-center gap-2">
				<span className="font-semibold w-24 break-words">{label}</span>
				<select
					className="select select-sm w-auto max-w-44"
					aria-label={`When ${label} is empty`}
					value={says ? "say" : rule.do}
					onChange={(event) => {
						const next = event.target.value as EmptyRule["do"];
						setSaying(next === "say");
						if (next !== "say") {
							set({ do: next });
						}
					}}
				>
					<option value="leaveOut">leave the part out</option>
					<option value="leaveOutLine">leave its line out</option>
					<option value="say">say…</option>
				</select>
				<span className={`text-[0.8rem] ${missing > 0 ? "text-secondary" : "text-quiet"}`}>
					{missing > 0 ? `${missing} ${missing === 1 ? "has" : "have"} none` : "all have one"}
				</span>
			</div>
			{says && (
				<TextInput
					label={`What to say instead of ${label}`}
					value={rule.do === "say" ? (rule.text ?? "") : ""}
					onChange={(text) => set({ do: "say", text }, `${place}.empty`)}
				/>
			)}
		</li>
	);
}
