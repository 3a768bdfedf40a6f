import type { ImportOptions } from "../../shared/api/schema";
import type { StepProps } from "./MatchColumns";

const SWITCHES: [key: "makeTerms" | "skipBad" | "plain", words: string][] = [
	["makeTerms", "Make terms that are not there yet"],
	["skipBad", "Write the right rows though others are wrong"],
	["plain", "Take cells as they stand: an apostrophe before = + - @ is a part of the text"],
];

/** What happens with each row, and how known items are identified. */
export function RowOptions({ row, options, busy, set }: StepProps) {
	return (
		<>
			<label className="grid gap-1 content-start">
				<span className="font-semibold">What becomes of each row?</span>
				<select
					className="select w-full"
					value={options.mode}
					disabled={busy}
					onChange={(event) => set({ mode: event.target.value as ImportOptions["mode"] })}
				>
					<option value="create">each makes a new item</option>
					<option value="both">known items change, the others are made</option>
					<option value="update">only known items change</option>
				</select>
			</label>
			<label className="grid gap-1 content-start">
				<span className="font-semibold">An item is known by its</span>
				<select
					className="select w-full"
					value={options.key}
					disabled={busy}
					onChange={(event) => set({ key: event.target.value })}
				>
					{row.keys.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
				</select>
			</label>
			{SWITCHES.map(([key, words]) => (
				<label key={key} className="flex gap-2 items-start cursor-pointer">
					<input
						type="checkbox"
						className="checkbox checkbox-sm mt-0.5"
						disabled={busy}
						checked={options[key]}
						onChange={() => set({ [key]: !options[key] })}
					/>
					{words}
				</label>
			))}
		</>
	);
}
