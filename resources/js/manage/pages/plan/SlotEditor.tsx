import type { PageSlot } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { ScheduleControl, scheduled } from "../../shared/fields/ScheduleControl";
import { withSlot } from "./edits";
import type { PagePlanState } from "./usePagePlan";

/** The audience and dates of a slot. */
export function SlotEditor({ plan, band, slot: at }: { plan: PagePlanState; band: number; slot: number }) {
	const { definition, change } = plan;
	const slot = definition.bands[band]?.slots[at];
	if (!slot) {
		return null;
	}
	return (
		<>
			<AudienceControl
				value={slot.audience}
				onChange={(audience) => change(withSlot(definition, band, at, (now) => ({ ...now, audience })))}
			/>
			<ScheduleControl
				value={slot}
				onChange={(end, value) => change(withSlot(definition, band, at, (now) => scheduled(now, end, value)))}
			/>
		</>
	);
}

/** The same in a few words: “for members, with dates”. */
export function useSlotWords(slot: PageSlot): string {
	const { audiences } = useStart();
	const keys = (slot.audience ?? ["everyone"]).filter((key) => key !== "everyone");
	const whom = keys.map((key) => audiences.find((one) => one.key === key)?.label ?? key).join(", ");
	return `for ${whom === "" ? "everyone" : whom.toLowerCase()}${slot.from || slot.until ? ", with dates" : ""}`;
}
