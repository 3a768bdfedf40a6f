import { GripHorizontal } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { fieldOf } from "../shared/start";
import type { Group, Look, Rule, Sentence } from "../shared/types";
import {
	joinOf,
	members,
	moved,
	newCondition,
	at as read,
	withAt,
	withJoin,
	withMembers,
	withWhere,
} from "./definition";
import { RuleEditor } from "./editors/RuleEditor";
import { FieldPicker } from "./FieldPicker";
import { Stream } from "./Stream";
import { useSource } from "./source";
import type { Bench } from "./useBench";

/** What is dragged: the place of a condition. */
const RULE = "application/x-wellspring-rule";

interface Open {
	rule: string;
	at: string;
}

/** The module as a short text, its underlined words being the controls; the stream and the counts beside it. */
export function Text({ bench, look }: { bench: Bench; look: Look }) {
	const list = useRef<HTMLOListElement>(null);
	const [open, setOpen] = useState<Open | null>(null);
	const counts = new Map(look.steps.map((one) => [one.step, one.left]));
	let before = counts.get("source") ?? 0;
	const lastWhere = look.sentences.findLastIndex((one) => one.rule.startsWith("where"));
	const addAfter = Math.max(lastWhere, 0);

	/** A condition goes to another place among the conditions; an open one stays open. */
	const move = (from: number, to: number) => {
		const where = bench.definition.where;
		if (!where || to < 0 || to >= members(where).length) {
			return;
		}
		bench.change(withWhere(bench.definition, withMembers(where, moved(members(where), from, to))));
		const rule = `where.all[${to}]`;
		if (open) {
			setOpen({ rule, at: `${rule}.field` });
		} else {
			requestAnimationFrame(() =>
				list.current?.querySelector<HTMLElement>(`[data-rule="${CSS.escape(rule)}"] button`)?.focus(),
			);
		}
	};

	const close = () => {
		const button = open && list.current?.querySelector<HTMLElement>(`[data-at="${CSS.escape(open.at)}"]`);
		setOpen(null);
		button?.focus();
	};

	return (
		<div className="relative">
			<ol
				ref={list}
				className="relative ml-[66px] mr-3 list-none text-[0.9rem] data-updating:cursor-progress"
				aria-label="The module as text"
				data-updating={bench.updating || undefined}
			>
				{look.sentences.map((sentence, i) => {
					const left = sentence.step ? counts.get(sentence.step) : undefined;
					const lost = left === undefined ? 0 : before - left;
					before = left ?? before;
					return [
						<Row
							key={sentence.rule}
							sentence={sentence}
							open={open}
							onOpen={(at) =>
								setOpen(open?.rule === sentence.rule && open.at === at ? null : { rule: sentence.rule, at })
							}
							onClose={close}
							onMove={move}
							bench={bench}
							look={look}
							left={left}
							lost={lost}
						/>,
						i === addAfter && (
							<AddRule key="add" bench={bench} onAdded={(rule) => setOpen({ rule, at: `${rule}.field` })} />
						),
					];
				})}
			</ol>
			<Stream list={list} look={look} />
		</div>
	);
}

function Row({
	sentence,
	open,
	onOpen,
	onClose,
	onMove,
	bench,
	look,
	left,
	lost,
}: {
	sentence: Sentence;
	open: Open | null;
	onOpen: (at: string) => void;
	onClose: () => void;
	onMove: (from: number, to: number) => void;
	bench: Bench;
	look: Look;
	left: number | undefined;
	lost: number;
}) {
	const isOpen = open?.rule === sentence.rule;
	const [isOver, setOver] = useState(false);
	const place = /^where\.all\[(\d+)\]$/.exec(sentence.rule)?.[1];
	const moves = place !== undefined && members(bench.definition.where ?? { all: [] }).length > 1;
	const openAt = open?.at ?? "";
	const editor = useRef<HTMLDivElement>(null);
	useEffect(() => {
		if (isOpen) {
			const first = (what: string) => editor.current?.querySelector<HTMLElement>(what);
			const word = /\.(test|value)$/.exec(openAt)?.[1];
			const control =
				(word === "test" && first("[aria-label=Test]")) ||
				(word === "value" && first("input:not([role=combobox]), fieldset button")) ||
				first("input, select, button, textarea");
			control?.focus();
		}
	}, [isOpen, openAt]);

	return (
		<li
			data-rule={sentence.rule}
			data-step={sentence.step ?? ""}
			className={
				isOpen
					? "relative z-10 -mx-2 my-1 px-3 py-2.5 bg-base-100 border border-base-300 rounded-box shadow-sm"
					: `group px-1 py-1.5 border-b border-base-300 ${isOver ? "bg-accent" : ""}`
			}
			draggable={moves && !isOpen}
			onDragStart={(event) => {
				event.dataTransfer.setData(RULE, place ?? "");
				event.dataTransfer.effectAllowed = "move";
			}}
			onDragOver={(event) => {
				if (moves && event.dataTransfer.types.includes(RULE)) {
					event.preventDefault();
					setOver(true);
				}
			}}
			onDragLeave={() => setOver(false)}
			onDrop={(event) => {
				setOver(false);
				const from = event.dataTransfer.getData(RULE);
				if (moves && from !== "") {
					event.preventDefault();
					onMove(Number(from), Number(place));
				}
			}}
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
					<div className={`text-[0.78rem] text-quiet flex items-center gap-1 ${moves ? "cursor-grab" : ""}`}>
						{sentence.lead}
						{moves && (
							<GripHorizontal
								size={14}
								aria-hidden="true"
								className="opacity-0 group-hover:opacity-70 transition-opacity"
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
				<Count sentence={sentence} look={look} left={left} lost={lost} />
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
					<RuleEditor rule={sentence.rule} at={open.at} bench={bench} look={look} onClose={onClose} onMove={onMove} />
				</section>
			)}
		</li>
	);
}

/** A rule that no longer makes sense, with the ways out. Visitors still get the last good version. */
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
			className="mt-1.5 border-l-3 border-secondary bg-warning/50 rounded-r-field px-2.5 py-1.5 text-[0.85rem]"
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
	look,
	left,
	lost,
}: {
	sentence: Sentence;
	look: Look;
	left: number | undefined;
	lost: number;
}) {
	if (sentence.rule === "page") {
		const row = look.lastRow.laptop;
		const uneven = look.total > 0 && row.cards < row.columns;
		return (
			<div className="text-right shrink-0">
				<div className="font-semibold">
					{look.pages} <abbr title={look.pages === 1 ? "page" : "pages"}>pp</abbr>
				</div>
				<div className="text-[0.78rem] text-quiet">{look.total} in all</div>
				{uneven && (
					<div className="text-[0.78rem] text-secondary">
						last row {row.cards} of {row.columns}
					</div>
				)}
			</div>
		);
	}
	if (sentence.rule === "empty") {
		return look.empty.any > 0 ? (
			<div className="text-right shrink-0">
				<div className="font-semibold">{look.empty.any}</div>
				<div className="text-[0.78rem] text-secondary">with gaps</div>
				{lost > 0 && <div className="text-[0.78rem] text-secondary">−{lost} left out</div>}
			</div>
		) : null;
	}
	return left === undefined ? null : (
		<div className="text-right shrink-0">
			<div className="font-semibold">{left}</div>
			{lost > 0 && <div className="text-[0.78rem] text-secondary">−{lost}</div>}
		</div>
	);
}

/** Adds a condition at the end, and says how conditions join once there are two. */
function AddRule({ bench, onAdded }: { bench: Bench; onAdded: (rule: string) => void }) {
	const { definition, change } = bench;
	const source = useSource();
	const where = definition.where ?? { all: [] };
	const join = joinOf(where);
	const add = (rule: Rule) => {
		const next = [...members(where), rule];
		change(withWhere(definition, { [join]: next }));
		onAdded(join === "all" ? `where.all[${next.length - 1}]` : "where");
	};
	const plain = source.fields.find((one) => one.origin === "type") ?? source.fields[0];

	return (
		<li className="px-1 py-2 border-b border-base-300 flex flex-wrap items-center gap-x-4 gap-y-1">
			<FieldPicker
				label="Add a condition"
				placeholder="+ keep only those whose…"
				className="w-56"
				onPick={(key) => {
					const field = fieldOf(source, key);
					if (field) {
						add(newCondition(field, source.taxonomies));
					}
				}}
			/>
			{plain && (
				<button
					type="button"
					className="plain-add"
					onClick={() => add({ any: [newCondition(plain, source.taxonomies)] })}
				>
					+ either of several
				</button>
			)}
			{members(where).length > 1 && join === "all" && (
				<button
					type="button"
					className="text-quiet underline cursor-pointer text-[0.8rem]"
					onClick={() => {
						change(withWhere(definition, withJoin(where, "any")));
						onAdded("where");
					}}
				>
					let any one of these be enough
				</button>
			)}
		</li>
	);
}
