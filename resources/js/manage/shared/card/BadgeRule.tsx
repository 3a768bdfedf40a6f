import type { Condition, Part, SourceRecords } from "../api/schema";
import { NumberInput } from "../controls/NumberInput";

/** The rule of a badge: for a number of days after publishing, for a range of a number, or for a yes. */
export function BadgeRule({
	type,
	part,
	onChange,
}: {
	type: SourceRecords;
	part: Part;
	onChange: (next: Part) => void;
}) {
	const rule = (part.when ?? {}) as Condition;
	const set = (when: Condition) => onChange({ ...part, when });
	const numbers = type.fields.filter((one) => one.family === "number" && !one.key.includes("."));
	const flags = type.fields.filter((one) => one.family === "yesNo" && !one.key.includes("."));
	const days = (rule.value as { amount?: number } | undefined)?.amount;
	const ends = Array.isArray(rule.value) ? (rule.value as [number, number]) : null;
	if (rule.test === "inLast" && days !== undefined) {
		return (
			<span className="flex items-center gap-2 text-sm">
				for
				<NumberInput
					label="For so many days"
					value={days}
					min={1}
					max={3650}
					whole
					className="w-18"
					onChange={(amount) => set({ ...rule, value: { amount, unit: "days" } })}
				/>
				days after it was published
			</span>
		);
	}
	if (rule.test === "between" && ends) {
		return (
			<span className="flex flex-wrap items-center gap-2 text-sm">
				where
				<select
					className="select select-sm w-auto"
					aria-label="The number that decides"
					value={rule.field}
					onChange={(event) => set({ ...rule, field: event.target.value })}
				>
					{numbers.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
				</select>
				is from
				<NumberInput
					label="From"
					value={ends[0]}
					className="w-18"
					onChange={(from) => set({ ...rule, value: [from, Math.max(from, ends[1])] })}
				/>
				to
				<NumberInput
					label="To"
					value={ends[1]}
					className="w-18"
					onChange={(to) => set({ ...rule, value: [Math.min(ends[0], to), to] })}
				/>
			</span>
		);
	}
	return rule.test === "yes" ? (
		<span className="flex items-center gap-2 text-sm">
			where
			<select
				className="select select-sm w-auto"
				aria-label="What decides"
				value={rule.field}
				onChange={(event) => set({ ...rule, field: event.target.value })}
			>
				{flags.map((one) => (
					<option key={one.key} value={one.key}>
						{one.label}
					</option>
				))}
			</select>
			is yes
		</span>
	) : (
		<span className="text-sm text-quiet">By a rule of its own; “As text and JSON” shows it.</span>
	);
}
