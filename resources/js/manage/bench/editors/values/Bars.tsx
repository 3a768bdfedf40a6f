import type { Options } from "../../../shared/api/schema";

/**
 * The distribution of the values that reach a rule, beside a range; bars inside the range are dark. It reserves its
 * space while it loads.
 */
export function Bars({
	options,
	inside,
	onPick,
	say,
}: {
	options: Options | undefined;
	inside: (from: number | string, to: number | string) => boolean;
	onPick?: (from: number | string, to: number | string) => void;
	say: (value: number | string) => string;
}) {
	if (!options) {
		return <div className="h-16" />;
	}
	const { bars } = options;
	if (bars.length < 2) {
		return null;
	}
	const most = Math.max(...bars.map((one) => one.records), 1);
	const first = bars[0];
	const last = bars.at(-1);
	return (
		<figure className="m-0 max-w-80">
			<div className="flex items-end gap-px h-12">
				{bars.map((bar) => (
					<button
						key={String(bar.from)}
						type="button"
						tabIndex={-1}
						disabled={!onPick}
						title={`${say(bar.from)} to ${say(bar.to)}: ${bar.records}`}
						className={`flex-1 min-w-0 rounded-t-sm ${inside(bar.from, bar.to) ? "bg-primary" : "bg-[#b9cfd0]"}
							${onPick ? "cursor-pointer" : ""}`}
						style={{ height: `${bar.records === 0 ? 2 : Math.max(8, (bar.records / most) * 100)}%` }}
						onClick={() => onPick?.(bar.from, bar.to)}
					>
						<span className="sr-only">
							{say(bar.from)} to {say(bar.to)}: {bar.records}
						</span>
					</button>
				))}
			</div>
			<figcaption className="flex justify-between text-xs text-quiet">
				<span>{first && say(first.from)}</span>
				<span>{last && say(last.to)}</span>
			</figcaption>
		</figure>
	);
}
