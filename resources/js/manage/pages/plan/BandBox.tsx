import { Fragment } from "react";
import { NumberInput } from "../../shared/controls/NumberInput";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { ScheduleControl, scheduled } from "../../shared/fields/ScheduleControl";
import { Word } from "../../shared/Word";
import { ShareLine } from "../ShareLine";
import { duplicateBand, moveBand, moveLine, removeBand, splitBand, TWELFTHS, withBand } from "./edits";
import { GroundControl } from "./GroundControl";
import { SlotBox } from "./SlotBox";
import type { PagePlanState } from "./usePagePlan";

/** Common splits of a band, by the slots' shares in twelfths. */
const SPLITS: [string, number[]][] = [
	["one", [12]],
	["two halves", [6, 6]],
	["two to one", [8, 4]],
	["one to two", [4, 8]],
	["three to one", [9, 3]],
	["three thirds", [4, 4, 4]],
	["four quarters", [3, 3, 3, 3]],
];

/** One band: its slots side by side, each as wide as its share. */
export function BandBox({ plan, band: at }: { plan: PagePlanState; band: number }) {
	const { definition, change, look } = plan;
	const band = definition.bands[at];
	if (!band) {
		return null;
	}
	const shown = look.data?.bands[at];
	const isEmpty = band.slots.every((slot) => slot.blocks.length === 0);
	return (
		<section
			aria-label={`Band ${at + 1}`}
			className={`flex gap-2 rounded-box border border-base-300 p-2
				${shown && !shown.shown ? "border-dashed" : "bg-base-100"}`}
		>
			<div className="w-6 shrink-0 text-center font-serif">
				<Word words={String(at + 1)} label={`Band ${at + 1}`}>
					<BandEditor plan={plan} at={at} />
				</Word>
			</div>
			<div className="grow min-w-0 grid gap-1.5">
				{isEmpty ? (
					<p className="text-quiet text-xs">
						Nothing stands here yet. Add a module or another block; until then visitors do not see this band.
					</p>
				) : (
					shown?.why && <p className="text-secondary text-xs">{shown.why}</p>
				)}
				<div className="flex flex-col sm:flex-row gap-2 sm:gap-0">
					{band.slots.map((slot, i) => (
						<Fragment key={i.toString()}>
							{i > 0 && (
								<ShareLine
									label={`Between slot ${i} and slot ${i + 1} of band ${at + 1}`}
									value={band.slots[i - 1]?.share ?? 1}
									onMove={(by) => change(moveLine(definition, at, i - 1, by), `line ${at} ${i}`)}
								/>
							)}
							<div className="min-w-0" style={{ flex: `${slot.share} 1 0` }}>
								<SlotBox plan={plan} band={at} slot={i} />
							</div>
						</Fragment>
					))}
				</div>
			</div>
		</section>
	);
}

/** The actions and settings of a band. */
export function BandEditor({ plan: { definition, change }, at }: { plan: PagePlanState; at: number }) {
	const band = definition.bands[at];
	if (!band) {
		return null;
	}
	const shares = band.slots.map((one) => one.share);
	return (
		<>
			<label className="grid gap-1">
				<span className="font-semibold">Tone</span>
				<select
					className="select select-sm"
					value={band.tone ?? "plain"}
					onChange={(event) =>
						change(
							withBand(definition, at, ({ tone: _, ...now }) =>
								event.target.value === "plain" ? now : { ...now, tone: event.target.value },
							),
						)
					}
				>
					{["plain", "quiet", "strong"].map((one) => (
						<option key={one}>{one}</option>
					))}
				</select>
			</label>
			<GroundControl
				value={band.ground}
				onChange={(ground) =>
					change(withBand(definition, at, ({ ground: _, ...now }) => (ground ? { ...now, ground } : now)))
				}
			/>
			<fieldset className="grid gap-1">
				<legend className="font-semibold mb-1">Slots</legend>
				<div className="flex flex-wrap gap-1.5">
					{SPLITS.map(([words, to]) => (
						<button
							key={words}
							type="button"
							className="chip"
							aria-pressed={shares.join() === to.join()}
							onClick={() => change(splitBand(definition, at, to))}
						>
							{words}
						</button>
					))}
				</div>
				{shares.length > 1 && (
					<div className="flex flex-wrap items-center gap-1.5 pt-1">
						{shares.slice(0, -1).map((share, i) => (
							<span key={i.toString()} className="flex items-center gap-1 text-sm">
								slot {i + 1}
								<NumberInput
									label={`Twelfths of slot ${i + 1}`}
									min={1}
									max={TWELFTHS - 1}
									whole
									className="w-16"
									value={share}
									onChange={(next) => change(moveLine(definition, at, i, next - share), `share ${at} ${i}`)}
								/>
							</span>
						))}
						<span className="text-quiet text-sm">of {TWELFTHS}</span>
					</div>
				)}
			</fieldset>
			<AudienceControl
				value={band.audience}
				onChange={(audience) => change(withBand(definition, at, (now) => ({ ...now, audience })))}
			/>
			<ScheduleControl
				value={band}
				onChange={(end, value) => change(withBand(definition, at, (now) => scheduled(now, end, value)))}
			/>
			<div className="flex flex-wrap gap-1.5">
				<button
					type="button"
					className="btn btn-sm"
					disabled={at === 0}
					onClick={() => change(moveBand(definition, at, at - 1))}
				>
					Move up
				</button>
				<button
					type="button"
					className="btn btn-sm"
					disabled={at === definition.bands.length - 1}
					onClick={() => change(moveBand(definition, at, at + 1))}
				>
					Move down
				</button>
				<button type="button" className="btn btn-sm" onClick={() => change(duplicateBand(definition, at))}>
					Duplicate
				</button>
				<button type="button" className="btn btn-sm" onClick={() => change(removeBand(definition, at))}>
					Remove the band
				</button>
			</div>
		</>
	);
}
