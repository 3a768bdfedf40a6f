import type { Import, ImportOptions } from "../../shared/api/schema";

export interface StepProps {
	row: Import;
	options: ImportOptions;
	busy: boolean;
	set: (change: Partial<ImportOptions>) => void;
}

/** The field of each column; a field is read from one column only. */
export function MatchColumns({ row, options, busy, set }: StepProps) {
	return (
		<div className="grid gap-1.5">
			{row.headings.map((heading) => (
				<div
					key={heading}
					className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)]
						sm:grid-cols-[minmax(0,14rem)_minmax(0,1fr)_minmax(0,16rem)] gap-x-4 items-center"
				>
					<span className="font-semibold truncate">{heading}</span>
					<span className="text-quiet truncate hidden sm:block">
						{row.samples[heading] ?? "(empty in the first rows)"}
					</span>
					<select
						className="select select-sm w-full"
						aria-label={`Field for the column ${heading}`}
						value={options.columns[heading] ?? ""}
						disabled={busy}
						onChange={(event) => {
							const column = event.target.value || null;
							const freed = Object.fromEntries(
								Object.entries(options.columns).map(([other, now]) => [other, now === column ? null : now]),
							);
							set({ columns: { ...freed, [heading]: column } });
						}}
					>
						<option value="">left out</option>
						{row.columns.map((one) => (
							<option key={one.key} value={one.key}>
								{one.label}
								{one.needed ? " (needed)" : ""}
							</option>
						))}
					</select>
				</div>
			))}
		</div>
	);
}
