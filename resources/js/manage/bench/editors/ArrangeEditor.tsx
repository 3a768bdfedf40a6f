import { NumberInput } from "../../shared/inputs";
import type { Look } from "../../shared/schema";
import { useStart } from "../../shared/start";
import { withAt } from "../definition";
import type { EditorProps } from "./props";

type Width = keyof Look["lastRow"];

const WIDTHS: [Width, string][] = [
	["phone", "on a phone"],
	["tablet", "on a tablet"],
	["laptop", "on a laptop"],
	["desktop", "on a desktop"],
];

/** How records are laid out, and how many stand side by side at each width. */
export function ArrangeEditor({ bench, look }: EditorProps) {
	const { definition, change } = bench;
	const { arrangements, limits } = useStart();
	const { as, columns } = definition.arrange;
	return (
		<div className="grid gap-2.5">
			<div className="flex flex-wrap gap-1.5">
				{arrangements.map((one) => (
					<button
						key={one.key}
						type="button"
						className="chip"
						aria-pressed={one.key === as}
						onClick={() => one.key !== as && change({ ...definition, arrange: { as: one.key } })}
					>
						{one.label}
					</button>
				))}
			</div>
			{columns &&
				WIDTHS.map(([width, words]) => {
					const row = look.lastRow[width];
					return (
						<div key={width} className="flex items-center gap-2">
							<NumberInput
								label={`Columns ${words}`}
								word={`arrange.columns.${width}`}
								value={columns[width]}
								min={1}
								max={limits.columns}
								whole
								className="w-16"
								onChange={(next) => change(withAt(definition, `arrange.columns.${width}`, next), `columns.${width}`)}
							/>
							<span className="flex-1">{words}</span>
							{look.total > 0 && (
								<span className={`text-[0.8rem] ${row.cards < row.columns ? "text-secondary" : "text-quiet"}`}>
									{row.cards < row.columns ? `last row ${row.cards} of ${row.columns}` : "rows are full"}
								</span>
							)}
						</div>
					);
				})}
		</div>
	);
}
