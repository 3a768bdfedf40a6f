import { withAt } from "../definition";
import { useSource } from "../source";
import type { Bench } from "../useBench";

const PER: Record<string, string> = { day: "by day", week: "by week", month: "by month", year: "by year" };

/** The headings of the listing, and their order. */
export function HeadingsEditor({ bench, onClose }: { bench: Bench; onClose: () => void }) {
	const { definition, change } = bench;
	const source = useSource();
	const now = definition.headings;
	if (!now) {
		return null;
	}
	const by = source.headings.find((one) => one.key === now.by);
	const family = by?.family;
	const isDay = family === "date" || family === "instant";
	return (
		<div className="grid gap-2.5">
			<div className="flex flex-wrap items-center gap-2">
				<select
					className="select select-sm w-auto max-w-44"
					aria-label="Headings by"
					data-word="headings.by"
					value={now.by}
					onChange={(event) => {
						const next = source.headings.find((one) => one.key === event.target.value);
						const days = next?.family === "date" || next?.family === "instant";
						change(
							withAt(definition, "headings", {
								by: event.target.value,
								...(days ? { per: now.per ?? "month" } : {}),
								direction: now.direction,
							}),
						);
					}}
				>
					{source.headings.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
				</select>
				{isDay && (
					<select
						className="select select-sm w-auto"
						aria-label="Period of a heading"
						data-word="headings.per"
						value={now.per ?? "month"}
						onChange={(event) => change(withAt(definition, "headings.per", event.target.value))}
					>
						{Object.entries(PER).map(([key, words]) => (
							<option key={key} value={key}>
								{words}
							</option>
						))}
					</select>
				)}
				{family === "text" && <span className="text-quiet">by first letter</span>}
				<select
					className="select select-sm w-auto"
					aria-label="Order of the headings"
					data-word="headings.direction"
					value={now.direction}
					onChange={(event) => change(withAt(definition, "headings.direction", event.target.value))}
				>
					<option value="up">{by?.directions.up}</option>
					<option value="down">{by?.directions.down}</option>
				</select>
			</div>
			<p className="text-quiet text-xs">
				A record stands once, under the first that fits. What is pinned stands before the first heading.
			</p>
			<div className="flex gap-4 text-sm">
				<button
					type="button"
					className="plain-add"
					onClick={() => {
						onClose();
						change(withAt(definition, "headings", undefined));
					}}
				>
					Remove the headings
				</button>
				<span className="flex-1" />
				<button type="button" className="plain-add" onClick={onClose}>
					Done
				</button>
			</div>
		</div>
	);
}
