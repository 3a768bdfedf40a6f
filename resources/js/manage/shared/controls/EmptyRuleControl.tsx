import { useState } from "react";
import type { EmptyRule, SourceRecords } from "../api/schema";
import { ChoosePicture } from "../files/ChoosePicture";
import { TextInput } from "./inputs";

const WORDS: Record<EmptyRule["do"], string> = {
	leaveOut: "leave the part out",
	leaveOutLine: "leave its line out",
	leaveOutCard: "leave the card out",
	say: "say…",
	use: "show another field…",
	standIn: "show a stand-in picture…",
	keepSpace: "keep the space",
	leaveOutModule: "leave the module out",
	leaveOutSlot: "leave the slot out",
	leaveOutBand: "leave the band out",
};

const OF_CARDS: EmptyRule["do"][] = ["leaveOut", "leaveOutLine", "leaveOutCard", "say", "use", "standIn", "keepSpace"];

const OF_ONE: EmptyRule["do"][] = [...OF_CARDS, "leaveOutModule", "leaveOutSlot", "leaveOutBand"];

/** The empty-value rule of a part; for "show another field", the rule of that field again. */
export function EmptyRuleControl({
	label,
	rule,
	type,
	alone,
	onChange,
}: {
	label: string;
	rule: EmptyRule;
	type: SourceRecords;
	/** True for the card of a spotlight, and for an item's own page. */
	alone: boolean;
	onChange: (next: EmptyRule) => void;
}) {
	const [saying, setSaying] = useState(false);
	const says = saying || rule.do === "say";
	const fields = type.fields.filter((one) => one.onCards || one.family === "picture");
	const begin = (next: EmptyRule["do"]) => {
		// An empty text is not a rule yet.
		setSaying(next === "say");
		switch (next) {
			case "say":
				return;
			case "use":
				return onChange({ do: next, field: fields[0]?.key ?? "title" });
			case "standIn":
				return onChange({ do: next, picture: rule.picture ?? "stand-in.webp" });
			default:
				return onChange({ do: next });
		}
	};
	return (
		<div className="grid gap-1.5">
			<select
				className="select select-sm w-auto max-w-52"
				aria-label={`When ${label} is empty`}
				value={says ? "say" : rule.do}
				onChange={(event) => begin(event.target.value as EmptyRule["do"])}
			>
				{(alone ? OF_ONE : OF_CARDS).map((key) => (
					<option key={key} value={key}>
						{WORDS[key]}
					</option>
				))}
			</select>
			{says && (
				<TextInput
					label={`What to say instead of ${label}`}
					value={rule.do === "say" ? (rule.text ?? "") : ""}
					onChange={(text) => onChange({ do: "say", text })}
				/>
			)}
			{!says && rule.do === "standIn" && (
				<div className="flex flex-wrap items-center gap-2">
					<span className="text-sm text-quiet break-all">{rule.picture}</span>
					<ChoosePicture chosen={rule.picture} onPick={(picture) => onChange({ do: "standIn", picture })} />
				</div>
			)}
			{!says && rule.do === "use" && (
				<>
					<select
						className="select select-sm w-auto max-w-52"
						aria-label={`The field shown instead of ${label}`}
						value={rule.field ?? ""}
						onChange={(event) => onChange({ ...rule, field: event.target.value })}
					>
						{fields.map((one) => (
							<option key={one.key} value={one.key}>
								{one.label}
							</option>
						))}
					</select>
					<div className="border-l-2 border-base-300 pl-2.5 grid gap-1">
						<span className="text-xs text-quiet">and where that is empty, too</span>
						<EmptyRuleControl
							label={fields.find((one) => one.key === rule.field)?.label ?? "that"}
							rule={rule.then ?? { do: "leaveOut" }}
							type={type}
							alone={alone}
							onChange={(then) => {
								const { then: _, ...rest } = rule;
								onChange(then.do === "leaveOut" ? rest : { ...rest, then });
							}}
						/>
					</div>
				</>
			)}
		</div>
	);
}
