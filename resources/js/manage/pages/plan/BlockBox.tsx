import type { PageBlock, PlanBlock } from "../../shared/api/schema";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { ScheduleControl, scheduled } from "../../shared/fields/ScheduleControl";
import { Word } from "../../shared/Word";
import { OwnControls } from "../blocks/OwnControls";
import { moveBlock, type Place, removeBlock, setBlock } from "./edits";
import { MoveElsewhere } from "./MoveElsewhere";
import type { PagePlanState } from "./usePagePlan";

/** One block in its slot: its name, whether it shows, and its settings. */
export function BlockBox({ plan, place, shown }: { plan: PagePlanState; place: Place; shown: PlanBlock | undefined }) {
	const block = plan.definition.bands[place.band]?.slots[place.slot]?.blocks[place.at];
	if (!block) {
		return null;
	}
	const words = shown?.words ?? block.module ?? block.block ?? "";
	const name = `${place.band}.${place.slot}.${place.at}`;
	const isPointed = plan.pointed?.block === name;
	const point = () => plan.setPointed({ block: name, by: "plan" });
	return (
		// biome-ignore lint/a11y/noStaticElementInteractions: it only stands out on the page
		<div
			ref={(element) => {
				if (isPointed && plan.pointed?.by === "page") {
					element?.scrollIntoView({ block: "nearest" });
				}
			}}
			onPointerEnter={point}
			onPointerLeave={() => plan.setPointed(null)}
			onFocus={point}
			className={`min-w-0 break-words border border-base-300 border-l-3 rounded-field bg-base-100 px-2 py-1 text-sm
				cursor-grab ${isPointed ? "outline-2 outline-secondary" : ""}
				${shown && !shown.shown ? "border-l-base-300" : block.module ? "border-l-primary" : "border-l-[#b9b4a4]"}`}
		>
			<Word words={words} label={words}>
				<BlockEditor plan={plan} place={place} block={block} />
			</Word>
			{shown?.detail && <span className="ml-1.5 text-quiet text-xs">{shown.detail}</span>}
			{shown?.total != null && (
				<span className="ml-1.5 inline-block whitespace-nowrap rounded-full bg-accent px-1.5 text-xs">
					{shown.total} now
				</span>
			)}
			{shown?.why && <span className="ml-1.5 text-secondary text-xs">{shown.why}</span>}
		</div>
	);
}

export function BlockEditor({ plan, place, block }: { plan: PagePlanState; place: Place; block: PageBlock }) {
	const { definition, change } = plan;
	const set = (next: PageBlock, tag: string | null = null) =>
		change(setBlock(definition, place, next), tag && `${tag} ${place.band} ${place.slot} ${place.at}`);
	return (
		<>
			<OwnControls block={block} about={definition.about} onChange={set} />
			<AudienceControl value={block.audience} onChange={(audience) => set({ ...block, audience })} />
			<ScheduleControl value={block} onChange={(end, value) => set(scheduled(block, end, value))} />
			<MoveTo plan={plan} place={place} />
			<MoveElsewhere
				block={block}
				page={definition.key}
				from={definition.address}
				onLeave={() => change(removeBlock(definition, place))}
			/>
			<button
				type="button"
				className="btn btn-sm justify-self-start"
				onClick={() => change(removeBlock(definition, place))}
			>
				Remove
			</button>
		</>
	);
}

/** Moves the block by keyboard: within its slot, or to the end of another one. */
function MoveTo({ plan: { definition, change }, place }: { plan: PagePlanState; place: Place }) {
	const blocks = definition.bands[place.band]?.slots[place.slot]?.blocks ?? [];
	const to = (at: number) => change(moveBlock(definition, place, { ...place, at }));
	return (
		<div className="flex flex-wrap items-center gap-1.5">
			<button type="button" className="btn btn-sm" disabled={place.at === 0} onClick={() => to(place.at - 1)}>
				Earlier
			</button>
			<button
				type="button"
				className="btn btn-sm"
				disabled={place.at >= blocks.length - 1}
				onClick={() => to(place.at + 1)}
			>
				Later
			</button>
			<div className="w-36">
				<PickByTyping
					label="Move to"
					placeholder="move to…"
					options={definition.bands.flatMap((one, band) =>
						one.slots.flatMap((_, slot) =>
							band === place.band && slot === place.slot
								? []
								: [{ key: `${band} ${slot}`, label: `band ${band + 1}, slot ${slot + 1}` }],
						),
					)}
					value={null}
					onPick={(picked) => {
						if (picked === null) {
							return;
						}
						const [band = 0, slot = 0] = picked.split(" ").map(Number);
						const at = definition.bands[band]?.slots[slot]?.blocks.length ?? 0;
						change(moveBlock(definition, place, { band, slot, at }));
					}}
				/>
			</div>
		</div>
	);
}
