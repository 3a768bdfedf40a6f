import { useQuery } from "@tanstack/react-query";
import { get } from "../../shared/api/api";
import type { PageBlock } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { Draggable } from "../../shared/controls/dragging";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { ScheduleControl, scheduled } from "../../shared/fields/ScheduleControl";
import { Word } from "../../shared/Word";
import { AddBlock } from "../blocks/AddBlock";
import { OwnControls } from "../blocks/OwnControls";
import { BLOCK, setDragged } from "../plan/dragged";
import { MoveElsewhere } from "../plan/MoveElsewhere";
import { WhereTree, WhereWords } from "./WhereTree";

/** One slot of the frame with its entries in order. */
export function FrameSlot({
	words,
	entries,
	onChange,
}: {
	words: string;
	entries: PageBlock[];
	onChange: (entries: PageBlock[], tag?: string) => void;
}) {
	const { blocks } = useStart();
	const modules = useQuery({
		queryKey: ["modules"],
		queryFn: ({ signal }) => get("/modules", { signal }),
	});
	const name = (entry: PageBlock) =>
		entry.module !== undefined
			? (modules.data?.find((one) => one.key === entry.module)?.name ?? entry.module)
			: (blocks.find((one) => one.key === entry.block)?.label ?? entry.block ?? "");
	const move = (from: number, to: number) => {
		const next = [...entries];
		next.splice(to, 0, ...next.splice(from, 1));
		onChange(next);
	};
	return (
		<section aria-label={words} className="rounded-box border border-base-300 bg-base-100 p-2.5 grid gap-1.5">
			<h2 className="text-quiet text-sm">{words}</h2>
			{entries.map((entry, i) => (
				<Draggable
					key={i.toString()}
					kind={BLOCK}
					what={name(entry)}
					value={() =>
						setDragged({
							block: entry,
							page: null,
							from: null,
							place: null,
							leave: () => onChange(entries.filter((_, at) => at !== i)),
						})
					}
					className={`cursor-grab border border-base-300 border-l-3 rounded-field px-2 py-1 text-sm
						${entry.module ? "border-l-primary" : "border-l-[#b9b4a4]"}`}
				>
					<Word words={name(entry)} label={name(entry)}>
						<OwnControls
							block={entry}
							onChange={(next, tag) => onChange(entries.with(i, next), tag && `${tag} ${words} ${i}`)}
						/>
						<WhereTree
							on={entry.on ?? "everywhere"}
							onChange={(next) => {
								const { on: _, ...others } = entry;
								onChange(entries.with(i, { ...others, ...next }));
							}}
						/>
						<AudienceControl
							value={entry.audience}
							onChange={(audience) => onChange(entries.with(i, { ...entry, audience }))}
						/>
						<ScheduleControl
							value={entry}
							onChange={(end, value) => onChange(entries.with(i, scheduled(entry, end, value)))}
						/>
						<MoveElsewhere
							block={entry}
							page={null}
							from={null}
							onLeave={() => onChange(entries.filter((_, at) => at !== i))}
						/>
						<div className="flex flex-wrap gap-1.5">
							<button type="button" className="btn btn-sm" disabled={i === 0} onClick={() => move(i, i - 1)}>
								Earlier
							</button>
							<button
								type="button"
								className="btn btn-sm"
								disabled={i === entries.length - 1}
								onClick={() => move(i, i + 1)}
							>
								Later
							</button>
							<button
								type="button"
								className="btn btn-sm"
								onClick={() => onChange(entries.filter((_, at) => at !== i))}
							>
								Remove
							</button>
						</div>
					</Word>
					<span className="block text-quiet text-xs">
						<WhereWords on={entry.on ?? "everywhere"} />
					</span>
				</Draggable>
			))}
			<div className="text-sm">
				<Word words="+ a block" label={`Add: ${words.toLowerCase()}`}>
					<AddBlock onAdd={(block) => onChange([...entries, block])} />
				</Word>
			</div>
		</section>
	);
}
