import { useQuery } from "@tanstack/react-query";
import { post } from "../../shared/api/api";
import { BandBox } from "./BandBox";
import { addBand } from "./edits";
import type { PagePlanState } from "./usePagePlan";

/** The page as its bands and slots, with their blocks, and which of them show. */
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
			{definition.bands.length === 0 && <Begin plan={plan} />}
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

/** An empty page offers starting bodies. */
function Begin({ plan }: { plan: PagePlanState }) {
	const { definition, change } = plan;
	const bodies = useQuery({
		queryKey: ["bodies", definition.about],
		queryFn: ({ signal }) => post("/pages/bodies", { body: { definition }, signal }),
	});
	return (
		<div className="px-1 py-3 grid gap-2">
			<p className="text-quiet">Nothing stands on this page yet. Begin with a band, or with one of these:</p>
			<div className="flex flex-wrap gap-1.5">
				{bodies.data?.map((one) => (
					<button
						key={one.words}
						type="button"
						className="chip"
						onClick={() => change({ ...definition, bands: one.bands })}
					>
						{one.words}
					</button>
				))}
			</div>
		</div>
	);
}

function Around({ slot, words }: { slot: string; words: string }) {
	return (
		<p className="border border-base-300 rounded-field bg-base-200 text-quiet text-xs px-2.5 py-1">
			{slot.toLowerCase()} · {words}
		</p>
	);
}
