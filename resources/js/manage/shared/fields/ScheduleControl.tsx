import { useStart } from "../api/start";
import { fromZone, toZone } from "../zone";

type End = "from" | "until";

/** The dates from which and until which something shows, in the site's time zone; no date: always. */
export function ScheduleControl({
	value,
	onChange,
	labels = { from: "Shows from then on", until: "No longer shows from then on" },
}: {
	value: { from?: unknown; until?: unknown };
	onChange: (end: End, instant: string | null) => void;
	labels?: Partial<Record<End, string>>;
}) {
	const { timeZone } = useStart().site;
	return (Object.entries(labels) as [End, string][]).map(([end, label]) => (
		<label key={end} className="grid gap-1">
			<span className="font-semibold">{label}</span>
			<input
				type="datetime-local"
				className="input input-sm"
				value={toZone(value[end], timeZone)}
				onChange={(event) => onChange(end, fromZone(event.target.value, timeZone))}
			/>
		</label>
	));
}

/** The same with one end of its schedule changed; an end without a date has no key. */
export function scheduled<T extends object>(now: T, end: End, instant: string | null): T {
	const { [end]: _, ...rest } = now as T & { [key in End]?: unknown };
	return (instant === null ? rest : { ...rest, [end]: instant }) as T;
}
