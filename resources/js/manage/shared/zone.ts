/** An instant in a time zone, in the form of the browser's own control: `2026-05-01T18:30`. */
export function toZone(instant: unknown, timeZone: string): string {
	if (typeof instant !== "string" || Number.isNaN(Date.parse(instant))) {
		return "";
	}
	return wall(new Date(instant), timeZone);
}

/**
 * The instant of a local time. A time that occurs twice means the first; a time that does not occur means the next one
 * that does.
 */
export function fromZone(local: string, timeZone: string): string | null {
	const asked = Date.parse(`${local}Z`);
	if (local === "" || Number.isNaN(asked)) {
		return null;
	}
	const offsets = [-1, 1].map((day) => offset(new Date(asked + day * 86_400_000), timeZone));
	const found = offsets.map((one) => new Date(asked - one)).filter((at) => wall(at, timeZone) === local.slice(0, 16));
	const at = found.length > 0 ? Math.min(...found.map(Number)) : asked - Math.min(...offsets);
	return new Date(at).toISOString().replace(/\.\d+Z$/, "Z");
}

function wall(at: Date, timeZone: string): string {
	return new Date(at.getTime() + offset(at, timeZone)).toISOString().slice(0, 16);
}

/** Milliseconds by which the zone is ahead of UTC. */
function offset(at: Date, timeZone: string): number {
	const part = Object.fromEntries(
		new Intl.DateTimeFormat("en-GB", {
			timeZone,
			hourCycle: "h23",
			year: "numeric",
			month: "numeric",
			day: "numeric",
			hour: "numeric",
			minute: "numeric",
			second: "numeric",
		})
			.formatToParts(at)
			.map((one) => [one.type, Number(one.value)]),
	) as Record<string, number>;
	const shown = Date.UTC(
		part.year ?? 0,
		(part.month ?? 1) - 1,
		part.day ?? 1,
		part.hour ?? 0,
		part.minute ?? 0,
		part.second ?? 0,
	);
	return shown - Math.floor(at.getTime() / 1000) * 1000;
}
