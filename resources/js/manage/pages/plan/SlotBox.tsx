import { useEffect, useRef, useState } from "react";
import { Draggable, useDropPlace } from "../../shared/controls/dragging";
import { Word } from "../../shared/Word";
import { AddBlock } from "../blocks/AddBlock";
import { BlockBox } from "./BlockBox";
import { BLOCK, getDragged, setDragged } from "./dragged";
import { addBlock, moveBlock, type Place, removeBlock } from "./edits";
import { SlotEditor, useSlotWords } from "./SlotEditor";
import type { PagePlanState } from "./usePagePlan";

/** One slot with its blocks, which also accepts dragged blocks. */
export function SlotBox({ plan, band, slot: at }: { plan: PagePlanState; band: number; slot: number }) {
	const { definition, change, look } = plan;
	const slot = definition.bands[band]?.slots[at];
	const shown = look.data?.bands[band]?.slots[at];
	const words = useSlotWords(slot ?? { share: 1, blocks: [] });
	/** The block that was added last, to scroll to. */
	const [added, setAdded] = useState<number | null>(null);
	const box = useRef<HTMLElement>(null);
	const count = slot?.blocks.length ?? 0;
	const end: Place = { band, slot: at, at: count };
	const { dropProps, isDropTarget } = useDropPlace(BLOCK, box, (token) => {
		const from = getDragged(token);
		if (from?.page === definition.key && from.place) {
			const isHere = from.place.band === band && from.place.slot === at;
			change(moveBlock(definition, from.place, { ...end, at: isHere ? count - 1 : count }));
		}
	});
	useEffect(() => {
		if (added !== null && added < count) {
			const place = box.current?.querySelectorAll<HTMLElement>("[draggable=true]")[added];
			place?.scrollIntoView({ block: "nearest" });
			place?.querySelector<HTMLElement>("button.word")?.focus();
			setAdded(null);
		}
	}, [added, count]);
	if (!slot) {
		return null;
	}
	return (
		<section
			{...dropProps}
			ref={box}
			tabIndex={-1}
			aria-label={`Slot ${at + 1} of band ${band + 1}`}
			className={`h-full min-h-14 grid grid-cols-[minmax(0,1fr)] gap-1.5 content-start border border-dashed rounded-field
				p-1.5 ${isDropTarget ? "border-secondary bg-accent" : "border-[#b9c4c0]"}`}
		>
			{slot.blocks.map((block, i) => (
				<Draggable
					key={i.toString()}
					kind={BLOCK}
					what={`block ${i + 1} of slot ${at + 1} of band ${band + 1}`}
					value={() => {
						const place = { band, slot: at, at: i };
						return setDragged({
							block,
							page: definition.key,
							from: definition.address,
							place,
							leave: () => change(removeBlock(definition, place)),
						});
					}}
				>
					<BlockBox plan={plan} place={{ band, slot: at, at: i }} shown={shown?.blocks[i]} />
				</Draggable>
			))}
			{shown?.why && slot.blocks.length > 0 && <p className="text-secondary text-xs">{shown.why}</p>}
			<div className="text-sm flex flex-wrap gap-x-3 [&_.word]:min-h-6">
				<Word words="+ a block" label={`Add to slot ${at + 1} of band ${band + 1}`}>
					<AddBlock
						about={definition.about}
						onAdd={(block) => {
							change(addBlock(definition, end, block));
							setAdded(end.at);
						}}
					/>
				</Word>
				<span className="[&_.word]:!font-normal [&_.word]:!text-quiet">
					<Word words={words} label={`Who sees slot ${at + 1} of band ${band + 1}`}>
						<SlotEditor plan={plan} band={band} slot={at} />
					</Word>
				</span>
			</div>
		</section>
	);
}
