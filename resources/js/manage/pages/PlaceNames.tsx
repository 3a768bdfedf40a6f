import { Word } from "../shared/Word";
import { BandEditor } from "./plan/BandBox";
import { BlockEditor } from "./plan/BlockBox";
import { SlotEditor } from "./plan/SlotEditor";
import type { PagePlanState } from "./plan/usePagePlan";

/** A block's position in the page's HTML: BAND.SLOT.BLOCK, counted from 0. */
export function placeOf(block: string) {
	const [band = 0, slot = 0, at = 0] = block.split(".").map(Number);
	return { band, slot, at };
}

/** The names of a block on the real page, of its band and its slot; each opens in place. */
export function PlaceNames({ plan, block }: { plan: PagePlanState; block: string }) {
	const place = placeOf(block);
	const definition = plan.definition.bands[place.band]?.slots[place.slot]?.blocks[place.at];
	if (!definition) {
		return null;
	}
	const shown = plan.look.data?.bands[place.band]?.slots[place.slot]?.blocks[place.at];
	const words = shown?.words ?? definition.module ?? definition.block ?? "";
	return (
		<>
			<Word words={`band ${place.band + 1}`} label={`Band ${place.band + 1}`}>
				<BandEditor plan={plan} at={place.band} />
			</Word>
			<span aria-hidden="true">›</span>
			<Word words={`slot ${place.slot + 1}`} label={`Slot ${place.slot + 1} of band ${place.band + 1}`}>
				<SlotEditor plan={plan} band={place.band} slot={place.slot} />
			</Word>
			<span aria-hidden="true">›</span>
			<Word words={words} label={words}>
				<BlockEditor plan={plan} place={place} block={definition} />
			</Word>
		</>
	);
}
