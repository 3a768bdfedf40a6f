import type { StepProps } from "./MatchColumns";

/** The form of each column; if several forms fit, the person chooses. */
export function Readings({ row, options, busy, set }: StepProps) {
	if (row.readings.length === 0) {
		return null;
	}
	const label = (column: string) => row.columns.find((one) => one.key === column)?.label ?? column;
	return (
		<section className="grid gap-2 border-t border-base-300 pt-4" aria-labelledby="readings">
			<h3 id="readings" className="font-semibold">
				How the cells are read
			</h3>
			<ul className="grid gap-2">
				{row.readings.map((one) => (
					<li key={one.column} className="flex flex-wrap items-center gap-x-3 gap-y-1">
						<strong className="font-semibold">{label(one.column)}:</strong>
						<span className={one.ambiguous ? "text-secondary" : ""}>
							{one.words}
							{one.ambiguous && " It can be read in another way, too. Please choose:"}
						</span>
						{one.forms.length > 0 && (
							<select
								className="select select-sm w-auto"
								aria-label={`How ${label(one.column)} is written`}
								disabled={busy}
								value={options.forms?.[one.column] ?? one.form}
								onChange={(event) => set({ forms: { ...options.forms, [one.column]: event.target.value } })}
							>
								{one.forms.map((form) => (
									<option key={form.key} value={form.key}>
										{form.label}
									</option>
								))}
							</select>
						)}
					</li>
				))}
			</ul>
		</section>
	);
}
