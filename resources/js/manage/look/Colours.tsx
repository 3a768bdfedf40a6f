import type { Contrast, LookFile, Looks } from "../shared/api/schema";
import { Word } from "../shared/Word";

const HEX = /^#[0-9a-f]{6}$/i;

/** The colours of a look by role. */
export function Colours({
	roles,
	colours,
	pairs,
	onChange,
}: {
	roles: Looks["roles"];
	colours: LookFile["colours"];
	/** The texts whose lowest contrast is shown beside their colour. */
	pairs: Contrast[];
	onChange: (role: string, hex: string) => void;
}) {
	return (
		<ul className="grid">
			{roles.map(({ key, label }) => (
				<li key={key} className="flex items-center gap-3 py-1.5 border-b border-base-300">
					<input
						type="color"
						className="w-9 h-7 rounded border border-base-300 cursor-pointer bg-transparent"
						aria-label={`${label}: choose by eye`}
						value={colours[key] ?? "#000000"}
						onChange={(event) => onChange(key, event.target.value)}
					/>
					<span className="flex-1 text-sm">{label}</span>
					<Least pairs={pairs.filter((one) => one.text === key)} />
					<span>
						<Word words={colours[key] ?? ""} label={label}>
							<label className="grid gap-1 text-sm">
								In hexadecimal
								<input
									className="input input-sm w-32"
									defaultValue={colours[key]}
									onChange={(event) => HEX.test(event.target.value) && onChange(key, event.target.value.toLowerCase())}
								/>
							</label>
						</Word>
					</span>
				</li>
			))}
		</ul>
	);
}

/** The lowest contrast of a text on its grounds. */
function Least({ pairs }: { pairs: Contrast[] }) {
	const least = pairs.reduce<Contrast | null>((now, one) => (now && now.ratio <= one.ratio ? now : one), null);
	const tone = least?.level === "fails" ? "text-secondary font-semibold" : "text-quiet";
	return (
		least && (
			<span className={`text-xs whitespace-nowrap ${tone}`} title={`on ${least.ground}`}>
				{least.ratio.toFixed(1)} {least.level}
			</span>
		)
	);
}

const GROUNDS = ["paper", "bed", "ink", "leaf", "copper", "picture"];
const TEXTS: [string, string][] = [
	["ink", "ink"],
	["quiet", "quiet text"],
	["leaf", "leaf, links"],
	["copper", "copper"],
	["button", "text of buttons"],
	["badge", "text of badges"],
	["chosen", "text on what is chosen"],
	["field", "text in fields"],
	["edge", "edges of fields"],
	["tick", "ticks"],
];

/**
 * The measured contrast of each text and mark on each ground. A text that fails has the nearest passing colour beside
 * it.
 */
export function Contrasts({
	pairs,
	onTake,
}: {
	pairs: Contrast[];
	/** Receives a role and its new colour. */
	onTake: (role: string, hex: string) => void;
}) {
	const of = (text: string, ground: string) => pairs.find((one) => one.text === text && one.ground === ground);
	return (
		<div className="overflow-x-auto scroll-edge">
			<table className="text-sm w-full">
				<thead>
					<tr className="text-left text-quiet">
						<th scope="col" className="font-normal py-1">
							<span className="sr-only">Text</span>
						</th>
						{GROUNDS.map((ground) => (
							<th key={ground} scope="col" className="font-normal px-2 py-1">
								{ground === "picture" ? "a picture" : ground}
							</th>
						))}
					</tr>
				</thead>
				<tbody>
					{TEXTS.map(([text, words]) => (
						<tr key={text}>
							<th scope="row" className="font-normal text-left py-1 pr-3 whitespace-nowrap">
								{words}
							</th>
							{GROUNDS.map((ground) => {
								const pair = of(text, ground);
								const fails = pair?.level === "fails";
								const tint = pair ? (fails ? "bg-warning/60" : "bg-accent") : "";
								return (
									<td key={ground} className={`px-2 py-1.5 border border-base-100 rounded ${tint}`}>
										{pair && (
											<span className="font-semibold whitespace-nowrap" title={`At least ${pair.least} is needed`}>
												{pair.ratio.toFixed(1)} {pair.level}
											</span>
										)}
										{fails && pair.nearest && (
											<button type="button" className="word ml-1.5" onClick={() => onTake(text, pair.nearest ?? "")}>
												{pair.nearest}
											</button>
										)}
									</td>
								);
							})}
						</tr>
					))}
				</tbody>
			</table>
		</div>
	);
}
