import { useRef, useState } from "react";
import type { BenchPreview } from "../../shared/api/schema";
import { moved } from "../../shared/controls/lists";
import { members, withMembers, withWhere } from "../definition";
import type { Bench } from "../useBench";
import { AddRule } from "./AddRule";
import { Stream } from "./Stream";
import { type Open, Row } from "./TextRow";

/** The module as a short text whose underlined words are controls, with the stream and the counts beside it. */
export function Text({ bench, preview }: { bench: Bench; preview: BenchPreview }) {
	const list = useRef<HTMLOListElement>(null);
	const [open, setOpen] = useState<Open | null>(null);
	const counts = new Map(preview.steps.map((one) => [one.step, one.left]));
	let before = counts.get("source") ?? 0;
	const lastWhere = preview.sentences.findLastIndex((one) => one.rule.startsWith("where"));
	const addAfter = Math.max(lastWhere, 0);

	/** Moves a condition to another position; an open one stays open. */
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
				className="relative ml-[66px] mr-3 list-none text-sm data-updating:cursor-progress"
				aria-label="The module as text"
				data-updating={bench.updating || undefined}
			>
				{preview.sentences.map((sentence, i) => {
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
							preview={preview}
							left={left}
							lost={lost}
						/>,
						i === addAfter && (
							<AddRule key="add" bench={bench} onAdded={(rule) => setOpen({ rule, at: `${rule}.field` })} />
						),
					];
				})}
			</ol>
			<Stream list={list} preview={preview} />
		</div>
	);
}
