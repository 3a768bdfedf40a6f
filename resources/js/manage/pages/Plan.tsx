import { BandBox } from "./BandBox";
import { addBand } from "./edits";
import type { PagePlanState } from "./usePagePlan";

/** The page drawn as its bands and slots, with what stands in them and what of that shows. */
export function Plan({ plan }: { plan: PagePlanState }) {
	const { definition, change, look, updating } = plan;
	const around = look.data?.frame ?? [];
	const before = around.filter((one) => ["In the header", "Before the body"].includes(one.slot));
	const after = around.filter((one) => !before.includes(one));
	return (
		<div className="grid grid-cols-[minmax(0,1fr)] gap-2.5 content-start" data-updating={updating || undefined}>
			{before.map((one) => (
				<Around key={one.slot} {...one} />
			))}
			{definition.bands.length === 0 && (
				<p className="text-quiet px-1 py-3">Nothing stands on this page yet. Begin with a band.</p>
			)}
			{definition.bands.map((band, i) => (
				<BandBox key={band.key} plan={plan} band={i} />
			))}
			<button
				type="button"
				className="plain-add justify-self-start px-1 py-1"
				onClick={() => change(addBand(definition))}
			>
				+ a band
			</button>
			{after.map((one) => (
				<Around key={one.slot} {...one} />
			))}
		</div>
	);
}

function Around({ slot, words }: { slot: string; words: string }) {
	return (
		<p className="border border-base-300 rounded-field bg-base-200 text-quiet text-[0.82rem] px-2.5 py-1">
			{slot.toLowerCase()} · {words}
		</p>
	);
}
