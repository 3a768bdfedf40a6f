import { NumberInput } from "../controls/NumberInput";

const WIDTHS = [
	["phone", "Phone"],
	["tablet", "Tablet"],
	["laptop", "Laptop"],
	["desktop", "Desktop"],
] as const;

/** The number of columns at each width. */
export function ColumnsControl({
	columns,
	most,
	beside,
	onChange,
	word = "",
}: {
	columns: Record<string, number>;
	most: number;
	/** Extra text for a width. */
	beside?: (width: (typeof WIDTHS)[number][0]) => { words: string; warns: boolean } | null;
	onChange: (width: string, next: number) => void;
	/** The place of the columns in the definition. */
	word?: string;
}) {
	return (
		<div className="grid gap-1.5">
			{WIDTHS.map(([width, words]) => {
				const said = beside?.(width);
				return (
					<div key={width} className="flex items-center gap-2">
						<NumberInput
							label={`Columns on a ${width}`}
							word={`${word}.${width}`}
							value={columns[width] ?? 1}
							min={1}
							max={most}
							whole
							className="w-16"
							onChange={(next) => onChange(width, next)}
						/>
						<span className="flex-1">on a {words.toLowerCase()}</span>
						{said && <span className={`text-xs ${said.warns ? "text-secondary" : "text-quiet"}`}>{said.words}</span>}
					</div>
				);
			})}
		</div>
	);
}
