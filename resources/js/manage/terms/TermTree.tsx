import { GripVertical } from "lucide-react";
import { useMemo, useState } from "react";
import { type Key, ListLayout, Tree, useDragAndDrop, Virtualizer } from "react-aria-components";
import type { TermRow } from "../shared/api/schema";
import { TermLine } from "./TermLine";
import { above, childrenOf, fitting, landing } from "./tree";

/** Above this number of terms, the tree is closed at first. */
const OPEN = 400;

/** px */
const LINE = 38;

/** A taxonomy's terms as lines that open and close, and that move with all below them by drag or by keyboard. */
export function TermTree({
	terms,
	tree,
	chosen,
	ticked,
	onChoose,
	onTick,
	onMove,
}: {
	terms: TermRow[];
	tree: boolean;
	chosen: number | null;
	ticked: Set<number>;
	onChoose: (id: number) => void;
	onTick: (id: number) => void;
	onMove: (id: number, parent: number | null, position: number) => void;
}) {
	const [words, setWords] = useState("");
	const [opened, setOpened] = useState<Set<Key>>(() => new Set(terms.length > OPEN ? [] : terms.map((one) => one.id)));
	const found = useMemo(() => fitting(terms, words), [terms, words]);
	const children = useMemo(() => childrenOf(found), [found]);
	const expanded = words.trim() === "" ? opened : new Set<Key>(found.map((one) => one.id));
	const land = (id: number, target: number, where: "before" | "on" | "after") => {
		const to = landing(terms, id, target, where);
		if (to) {
			onMove(id, to.parent, to.position);
			setOpened((now) => (to.parent === null ? now : new Set([...now, to.parent])));
		}
	};
	const { dragAndDropHooks } = useDragAndDrop({
		getItems: (keys) => [...keys].map((key) => ({ "text/plain": String(key) })),
		getDropOperation: (target) =>
			target.type === "root" || (target.dropPosition === "on" && !tree) ? "cancel" : "move",
		onMove: ({ keys, target }) => {
			for (const key of keys) {
				land(Number(key), Number(target.key), target.dropPosition);
			}
		},
		renderDragPreview: (items) => (
			<div className="flex items-center gap-2 rounded-box bg-base-100 border border-secondary px-3 py-1 shadow-lg">
				<GripVertical className="size-4" aria-hidden="true" />
				{terms.find((one) => String(one.id) === items[0]?.["text/plain"])?.name}
			</div>
		),
	});
	const level = (parent: number | null) => {
		const here = children.get(parent) ?? [];
		return here.map((term, at) => (
			<TermLine
				key={term.id}
				term={term}
				tree={tree}
				before={here[at - 1]}
				after={here[at + 1]}
				isChosen={chosen === term.id}
				isTicked={ticked.has(term.id)}
				onTick={() => onTick(term.id)}
				onLand={(target, where) => land(term.id, target, where)}
			>
				{level(term.id)}
			</TermLine>
		));
	};
	const lines = found.filter((one) => above(found, one.id).every((id) => expanded.has(id))).length;
	return (
		<div className="grid gap-2">
			<div className="flex flex-wrap gap-3 items-center">
				<input
					type="search"
					className="input input-sm h-9 w-56"
					aria-label="Find terms"
					placeholder={`Find among ${terms.length.toLocaleString()}`}
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
				{tree && (
					<>
						<button type="button" className="plain-add" onClick={() => setOpened(new Set(terms.map((one) => one.id)))}>
							Open all
						</button>
						<button type="button" className="plain-add" onClick={() => setOpened(new Set())}>
							Close all
						</button>
					</>
				)}
			</div>
			{/* Only the lines in sight are drawn, however many there are. */}
			<Virtualizer layout={ListLayout} layoutOptions={{ rowHeight: LINE }}>
				<Tree
					aria-label="Terms"
					className="bg-base-100 border border-base-300 rounded-box outline-none overflow-auto max-h-[48rem]"
					style={{ height: Math.max(lines, 1) * LINE + 2 }}
					expandedKeys={expanded}
					onExpandedChange={setOpened}
					onAction={(key) => onChoose(Number(key))}
					dragAndDropHooks={dragAndDropHooks}
					renderEmptyState={() => (
						<p className="px-4 py-3 text-quiet">{terms.length === 0 ? "No terms yet." : "No terms found."}</p>
					)}
				>
					{level(null)}
				</Tree>
			</Virtualizer>
		</div>
	);
}
