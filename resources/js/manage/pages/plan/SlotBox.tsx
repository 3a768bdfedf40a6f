import { useEffect, useRef, useState } from "react";
import { Word } from "../../shared/Word";
import { AddBlock } from "../blocks/AddBlock";
import { BlockBox } from "./BlockBox";
import { DRAGGED, setDragged } from "./dragged";
import { addBlock, moveBlock, type Place, removeBlock } from "./edits";
import { SlotEditor, useSlotWords } from "./SlotEditor";
import type { PagePlanState } from "./usePagePlan";

/** One slot with its blocks; blocks are dropped into it, too. */
export function SlotBox({ plan, band, slot: at }: { plan: PagePlanState; band: number; slot: number }) {
	const { definition, change, look } = plan;
	const [over, setOver] = useState(false);
	const slot = definition.bands[band]?.slots[at];
	const shown = look.data?.bands[band]?.slots[at];
	const words = useSlotWords(slot ?? { share: 1, blocks: [] });
	/** The block that was added last, which is put into sight. */
	const [added, setAdded] = useState<number | null>(null);
	const box = useRef<HTMLElement>(null);
	const count = slot?.blocks.length ?? 0;
	useEffect(() => {
		if (added !== null && added < count) {
			const place = box.current?.querySelectorAll<HTMLElement>("[draggable=true]")[added];
			place?.scrollIntoView({ block: "nearest" });
			place?.querySelector<HTMLElement>("button")?.focus();
			setAdded(null);
		}
	}, [added, count]);
	if (!slot) {
		return null;
	}
	const end: Place = { band, slot: at, at: slot.blocks.length };
	return (
		<section
			ref={box}
			aria-label={`Slot ${at + 1} of band ${band + 1}`}
			className={`h-full min-h-14 grid grid-cols-[minmax(0,1fr)] gap-1.5 content-start border border-dashed rounded-field
				p-1.5 ${over ? "border-secondary bg-accent" : "border-[#b9c4c0]"}`}
			onDragOver={(event) => {
				if (event.dataTransfer.types.includes(DRAGGED)) {
					event.preventDefault();
					setOver(true);
				}
			}}
			onDragLeave={() => setOver(false)}
			onDrop={(event) => {
				event.preventDefault();
				setOver(false);
				const from = JSON.parse(event.dataTransfer.getData(DRAGGED)) as Place;
				const isHere = from.band === band && from.slot === at;
				change(moveBlock(definition, from, { ...end, at: isHere ? end.at - 1 : end.at }));
			}}
		>
			{slot.blocks.map((block, i) => (
				// biome-ignore lint/a11y/noStaticElementInteractions: dragged; “Move to” does the same by keyboard
				<div
					key={i.toString()}
					draggable
					onDragStart={(event) => {
						const place = { band, slot: at, at: i };
						event.dataTransfer.setData(DRAGGED, JSON.stringify(place));
						setDragged({
							block,
							page: definition.key,
							from: definition.address,
							leave: () => change(removeBlock(definition, place)),
						});
					}}
					onDragEnd={() => setDragged(null)}
				>
					<BlockBox plan={plan} place={{ band, slot: at, at: i }} shown={shown?.blocks[i]} />
				</div>
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
