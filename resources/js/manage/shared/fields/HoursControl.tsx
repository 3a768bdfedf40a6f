type Week = Record<string, [string, string][]>;

const DAYS: [string, string][] = [
	["mon", "Monday"],
	["tue", "Tuesday"],
	["wed", "Wednesday"],
	["thu", "Thursday"],
	["fri", "Friday"],
	["sat", "Saturday"],
	["sun", "Sunday"],
];

/** The opening hours of a week. */
export function HoursControl({ value, onChange }: { value: unknown; onChange: (value: unknown) => void }) {
	const week = (value ?? {}) as Week;
	const set = (day: string, spans: [string, string][]) => {
		const next = Object.fromEntries(Object.entries({ ...week, [day]: spans }).filter(([, one]) => one.length > 0));
		onChange(Object.keys(next).length === 0 ? null : next);
	};
	return (
		<div className="grid gap-1 border border-[#8b9a9c] rounded-field bg-base-100 p-2.5">
			{DAYS.map(([day, name]) => {
				const spans = week[day] ?? [];
				return (
					<div key={day} className="flex flex-wrap items-center gap-x-3 gap-y-1 min-h-8">
						<span className="w-24">{name}</span>
						{spans.map((span, i) => (
							<span key={`${day}-${i.toString()}`} className="flex items-center gap-1">
								{([0, 1] as const).map((end) => (
									<input
										key={end}
										type="time"
										className="input input-sm w-28"
										aria-label={`${name}, ${end === 0 ? "from" : "to"}`}
										value={span[end] === "24:00" ? "00:00" : span[end]}
										onChange={(event) => {
											const next = spans.map((one) => [...one] as [string, string]);
											const at = next[i];
											if (at) {
												at[end] = end === 1 && event.target.value === "00:00" ? "24:00" : event.target.value;
											}
											set(day, next);
										}}
									/>
								))}
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									aria-label={`Take ${span[0]} to ${span[1]} out of ${name}`}
									onClick={() =>
										set(
											day,
											spans.filter((_, at) => at !== i),
										)
									}
								>
									×
								</button>
							</span>
						))}
						{spans.length === 0 && <span className="text-quiet">closed</span>}
						<button
							type="button"
							className="plain-add text-sm"
							aria-label={`Add hours to ${name}`}
							onClick={() => set(day, [...spans, spans.length === 0 ? ["09:00", "17:00"] : ["18:00", "20:00"]])}
						>
							+ hours
						</button>
					</div>
				);
			})}
		</div>
	);
}
