import { type ReactNode, useRef, useState } from "react";
import type { Part, SourceRecords } from "../api/schema";
import { DropPlace } from "../controls/dragging";
import { RowTools } from "../controls/inputs";
import { moved } from "../controls/lists";
import { AddPart } from "./AddPart";
import { PART, PartChip, type Place, placeOf } from "./PartChip";
import { PartOptions } from "./PartOptions";
import { type Line, partLabel } from "./part";

/** The editor of a card: lines of parts, which move by dragging or by keys, with the options of each part. */
export function CardLines({
	type,
	lines,
	at,
	onChange,
	beside,
	sample = {},
}: {
	/** The type of the card's records. */
	type: SourceRecords;
	lines: Line[];
	/** The place of the part that is open at first, if any: `card.lines[0].parts[1]`. */
	at?: string;
	/** Receives the new lines; changes with the same tag are undone together. */
	onChange: (lines: Line[], tag: string | null) => void;
	/** Further controls of a part. */
	beside?: (part: Part, put: (next: Part) => void) => ReactNode;
	/** The values of the first record's parts, by place. */
	sample?: Record<string, string>;
}) {
	const [open, setOpen] = useState<Place | null>(() => {
		const found = /^card\.lines\[(\d+)\]\.parts\[(\d+)\]$/.exec(at ?? "");
		return found ? [Number(found[1]), Number(found[2])] : null;
	});
	const box = useRef<HTMLFieldSetElement>(null);
	const count = lines.reduce((sum, line) => sum + line.parts.length, 0);

	const set = (next: Line[], tag: string | null = null) =>
		onChange(
			next.filter((line) => line.parts.length > 0),
			tag,
		);
	const setParts = (index: number, parts: Part[], tag: string | null = null) =>
		set(
			lines.map((line, i) => (i === index ? { parts } : line)),
			tag,
		);
	const focus = ([line, part]: Place) =>
		requestAnimationFrame(() =>
			box.current?.querySelector<HTMLElement>(`[data-part="${line}.${part}"] [data-handle]`)?.focus(),
		);

	/** Moves a part to the position of another one; a line after the last is new. */
	const place = ([fromLine, fromPart]: Place, [toLine, toPart]: Place) => {
		const part = lines[fromLine]?.parts[fromPart];
		if (!part || toLine < 0 || (toLine === fromLine && toPart === fromPart)) {
			return;
		}
		const next = lines.map((line) => ({ parts: [...line.parts] }));
		next[fromLine]?.parts.splice(fromPart, 1);
		if (toLine >= next.length) {
			next.push({ parts: [part] });
		} else {
			next[toLine]?.parts.splice(Math.min(toPart, next[toLine].parts.length), 0, part);
		}
		const gone = next[fromLine]?.parts.length === 0 && fromLine < toLine ? 1 : 0;
		const to: Place = [Math.min(toLine, next.length - 1) - gone, Math.max(0, toPart)];
		set(next);
		setOpen(null);
		focus(to);
	};

	const keys = (event: React.KeyboardEvent, [line, part]: Place) => {
		if (!event.altKey) {
			return;
		}
		const to: Record<string, Place> = {
			ArrowLeft: [line, part - 1],
			ArrowRight: [line, part + 1],
			ArrowUp: [line - 1, lines[line - 1]?.parts.length ?? 0],
			ArrowDown: [line + 1, 0],
		};
		const wanted = to[event.key];
		if (wanted && wanted[1] >= 0) {
			event.preventDefault();
			event.stopPropagation();
			place([line, part], wanted);
		}
	};

	return (
		<fieldset ref={box} className="grid gap-2" aria-label="The card">
			{lines.map((line, l) => (
				// biome-ignore lint/suspicious/noArrayIndexKey: a line is known by its place
				<div key={l} className="border border-base-300 rounded-field p-2 grid gap-1.5 bg-base-100">
					<div className="flex items-center text-xs text-quiet">
						<span className="flex-1">Line {l + 1}</span>
						<RowTools what={`line ${l + 1}`} index={l} count={lines.length} onMove={(to) => set(moved(lines, l, to))} />
					</div>
					<DropPlace
						kind={PART}
						label={`The end of line ${l + 1}`}
						className="flex flex-wrap gap-1.5"
						onDrop={(dropped) => place(placeOf(dropped), [l, line.parts.length])}
					>
						{line.parts.map((part, p) => {
							const shows = sample[`card.lines[${l}].parts[${p}]`];
							return (
								<PartChip
									// biome-ignore lint/suspicious/noArrayIndexKey: a part is known by its place
									key={p}
									at={[l, p]}
									label={partLabel(type, part)}
									shows={part.part === "picture" ? undefined : shows}
									isOpen={open?.[0] === l && open[1] === p}
									onOpen={() => setOpen(open?.[0] === l && open[1] === p ? null : [l, p])}
									onKeyDown={(event) => keys(event, [l, p])}
									onDrop={(from) => place(from, [l, p])}
								/>
							);
						})}
						<AddPart
							type={type}
							label="+ a part here"
							onAdd={(part) => {
								setParts(l, [...line.parts, part]);
								setOpen([l, line.parts.length]);
							}}
						/>
					</DropPlace>
					{open?.[0] === l && line.parts[open[1]] && (
						<PartOptions
							key={open.join(".")}
							type={type}
							part={line.parts[open[1]] as Part}
							word={`card.lines[${l}].parts[${open[1]}]`}
							onChange={(next, tag) =>
								setParts(
									l,
									line.parts.map((one, i) => (i === open[1] ? next : one)),
									tag,
								)
							}
							onRemove={
								count > 1
									? () => {
											setParts(
												l,
												line.parts.filter((_, i) => i !== open[1]),
											);
											setOpen(null);
										}
									: undefined
							}
							beside={beside}
						/>
					)}
				</div>
			))}
			<AddPart
				type={type}
				label="+ a line with…"
				onAdd={(part) => {
					set([...lines, { parts: [part] }]);
					setOpen([lines.length, 0]);
				}}
			/>
		</fieldset>
	);
}
