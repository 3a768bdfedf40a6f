import { useEffect, useRef } from "react";
import type { BenchPreview, Group, Sentence } from "../../shared/api/schema";
import { DragHandle, useDraggable, useDropPlace } from "../../shared/controls/dragging";
import { members, at as read, withAt, withWhere } from "../definition";
import { RuleEditor } from "../editors/RuleEditor";
import { controlOf } from "../focus";
import type { Bench } from "../useBench";

/** The kind of a dragged condition. */
const RULE = "application/x-wellspring-rule";

export interface Open {
	rule: string;
	at: string;
}

export function Row({
	sentence,
	open,
	onOpen,
	onClose,
	onMove,
	bench,
	preview,
	left,
	lost,
}: {
	sentence: Sentence;
	open: Open | null;
	onOpen: (at: string) => void;
	onClose: () => void;
	onMove: (from: number, to: number) => void;
	bench: Bench;
	preview: BenchPreview;
	left: number | undefined;
	lost: number;
}) {
	const isOpen = open?.rule === sentence.rule;
	const place = /^where\.all\[(\d+)\]$/.exec(sentence.rule)?.[1];
	const moves = place !== undefined && members(bench.definition.where ?? { all: [] }).length > 1;
	const openAt = open?.at ?? "";
	const editor = useRef<HTMLDivElement>(null);
	const row = useRef<HTMLLIElement>(null);
	const { dragProps, dragButtonProps } = useDraggable({
		kind: RULE,
		value: () => place ?? "",
		isDisabled: !moves || isOpen,
	});
	const { dropProps, isDropTarget } = useDropPlace(RULE, row, (from) => onMove(Number(from), Number(place)), !moves);
	useEffect(() => {
		if (isOpen && editor.current) {
			controlOf(editor.current, sentence.rule, openAt)?.focus({ preventScroll: true });
			// The whole row; if it is higher than the window, its beginning.
			const row = editor.current.closest("li");
			row?.scrollIntoView({ block: row.offsetHeight > window.innerHeight * 0.6 ? "start" : "nearest" });
		}
	}, [isOpen, openAt, sentence.rule]);

	return (
		<li
			{...dragProps}
			{...dropProps}
			ref={row}
			tabIndex={moves ? -1 : undefined}
			data-rule={sentence.rule}
			data-step={sentence.step ?? ""}
			className={
				isOpen
					? "relative z-10 -mx-2 my-1 px-3 py-2.5 bg-base-100 border border-base-300 rounded-box shadow-sm"
					: `group px-1 py-1.5 border-b border-base-300 ${isDropTarget ? "bg-accent" : ""}`
			}
			onKeyDown={(event) => {
				if (event.key === "Escape" && isOpen) {
					event.stopPropagation();
					onClose();
				}
				if (place !== undefined && event.altKey && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
					event.preventDefault();
					onMove(Number(place), Number(place) + (event.key === "ArrowUp" ? -1 : 1));
				}
			}}
		>
			<div className="flex gap-3 items-start">
				<div className={`flex-1 min-w-0 ${sentence.off ? "opacity-60" : ""}`}>
					<div className={`text-xs text-quiet flex items-center gap-1 ${moves ? "cursor-grab" : ""}`}>
						{sentence.lead}
						{moves && !isOpen && (
							<DragHandle
								what={`rule ${Number(place) + 1}`}
								button={dragButtonProps}
								className="opacity-0 group-hover:opacity-70 has-focus-visible:opacity-100 transition-opacity -my-1"
							/>
						)}
					</div>
					<p className="leading-[1.6] break-words">
						{sentence.pieces.map((piece, i) =>
							piece.at === null ? (
								// biome-ignore lint/suspicious/noArrayIndexKey: a piece is known by its place in the sentence
								<span key={i} className={sentence.broken.length > 0 ? "text-quiet" : ""}>
									{piece.text}
								</span>
							) : (
								<button
									key={piece.at}
									type="button"
									data-at={piece.at}
									className={`word ${piece.text.length < 4 ? "short" : ""} ${sentence.off ? "line-through" : ""}`}
									aria-expanded={isOpen && open.at === piece.at}
									onClick={() => onOpen(piece.at ?? "")}
								>
									{piece.text}
								</button>
							),
						)}
					</p>
				</div>
				<Count sentence={sentence} preview={preview} left={left} lost={lost} />
			</div>
			{sentence.broken.map((one) => (
				<Broken key={one.at} at={one.at} why={one.why} bench={bench} onOpen={onOpen} />
			))}
			{isOpen && open && (
				<section
					ref={editor}
					className="mt-2.5 pt-2.5 border-t border-base-300"
					aria-label={`Change: ${sentence.lead}`}
				>
					<RuleEditor
						rule={sentence.rule}
						at={open.at}
						bench={bench}
						preview={preview}
						onClose={onClose}
						onMove={onMove}
					/>
				</section>
			)}
		</li>
	);
}

/** An invalid rule, with ways to correct it. Visitors still get the last valid version. */
function Broken({ at, why, bench, onOpen }: { at: string; why: string; bench: Bench; onOpen: (at: string) => void }) {
	const { definition, change } = bench;
	const remove = () => {
		if (at === "headings") {
			change(withAt(definition, at, undefined));
			return;
		}
		const place = Number(/\[(\d+)\]$/.exec(at)?.[1] ?? 0);
		const list = at.replace(/\[\d+\]$/, "");
		const rest = read<unknown[]>(definition, list).filter((_, i) => i !== place);
		change(list === "where.all" ? withWhere(definition, { all: rest } as Group) : withAt(definition, list, rest));
	};
	return (
		<div
			role="alert"
			className="mt-1.5 border-l-3 border-secondary bg-warning/50 rounded-r-field px-2.5 py-1.5 text-sm"
		>
			<p>{why}</p>
			<div className="flex flex-wrap gap-4">
				<button type="button" className="plain-add" onClick={remove}>
					Remove this rule
				</button>
				{at.startsWith("where") && (
					<button type="button" className="plain-add" onClick={() => onOpen(`${at}.field`)}>
						Choose another field
					</button>
				)}
			</div>
		</div>
	);
}

function Count({
	sentence,
	preview,
	left,
	lost,
}: {
	sentence: Sentence;
	preview: BenchPreview;
	left: number | undefined;
	lost: number;
}) {
	if (sentence.rule === "page") {
		const row = preview.lastRow.laptop;
		const uneven = preview.total > 0 && row.cards < row.columns;
		return (
			<div className="text-right shrink-0">
				<div className="font-semibold">
					{preview.pages} <span className="text-xs font-normal">{preview.pages === 1 ? "page" : "pages"}</span>
				</div>
				<div className="text-xs text-quiet">{preview.total} in all</div>
				{uneven && (
					<div className="text-xs text-secondary">
						last row {row.cards} of {row.columns}
					</div>
				)}
			</div>
		);
	}
	if (sentence.rule === "empty") {
		return preview.empty.any > 0 ? (
			<div className="text-right shrink-0">
				<div className="font-semibold">{preview.empty.any}</div>
				<div className="text-xs text-secondary">with gaps</div>
				{lost > 0 && <div className="text-xs text-secondary">−{lost} left out</div>}
			</div>
		) : null;
	}
	return left === undefined ? null : (
		<div className="text-right shrink-0">
			<div className="font-semibold">{left}</div>
			{lost > 0 && <div className="text-xs text-secondary">−{lost}</div>}
		</div>
	);
}
