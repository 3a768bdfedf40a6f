import type { ReactNode } from "react";
import { NumberInput, RowTools } from "./inputs";
import { moved } from "./lists";
import type { Part, SourceRecords } from "./schema";
import { fieldOf } from "./start";

interface Offer {
	key: string;
	label: string;
	part: Part;
}

/** The parts that a card of the type can have. */
function offers(type: SourceRecords): Offer[] {
	const own = (test: (key: string) => boolean) => type.fields.some((one) => one.origin === "type" && test(one.key));
	return [
		...(type.fields.some((one) => one.family === "picture")
			? [{ key: "picture", label: "Picture", part: { part: "picture" } }]
			: []),
		{ key: "title", label: "Title", part: { part: "title", level: 3 } },
		...(own((key) => key === "price") && fieldOf(type, "price")?.kind === "money"
			? [{ key: "price", label: "Price", part: { part: "price" } }]
			: []),
		...(fieldOf(type, "text") ? [{ key: "excerpt", label: "Excerpt", part: { part: "excerpt", words: 24 } }] : []),
		...type.fields
			.filter((one) => one.onCards && one.key !== "title" && type.own.includes(one.key))
			.map((one) => ({
				key: `field:${one.key}`,
				label: `Field: ${one.label}`,
				part: { part: "field", field: one.key },
			})),
	];
}

export function partLabel(type: SourceRecords, part: Part): string {
	return part.part === "field"
		? (fieldOf(type, part.field ?? "")?.label ?? part.field ?? "")
		: part.part.charAt(0).toUpperCase() + part.part.slice(1);
}

export interface Line {
	parts: Part[];
}

/** Lines of parts, as they stand on a card. */
export function CardLines({
	type,
	lines,
	at,
	onChange,
	beside,
}: {
	/** What the card shows one of. */
	type: SourceRecords;
	lines: Line[];
	/** The place of the part that stands out, if one does: `card.lines[0].parts[1]`. */
	at?: string;
	/** Told the lines as they are then; changes of the same tag are undone at once. */
	onChange: (lines: Line[], tag: string | null) => void;
	/** What else can be said of a part. */
	beside?: (part: Part, put: (next: Part) => void) => ReactNode;
}) {
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
	const count = lines.reduce((sum, line) => sum + line.parts.length, 0);
	const choices = offers(type);

	return (
		<div className="grid gap-3">
			{lines.map((line, l) => (
				// biome-ignore lint/suspicious/noArrayIndexKey: a line is known by its place
				<div key={l} className="border border-base-300 rounded-field p-2 grid gap-1.5">
					<div className="flex items-center text-[0.78rem] text-quiet">
						<span className="flex-1">Line {l + 1}</span>
						<RowTools what={`line ${l + 1}`} index={l} count={lines.length} onMove={(to) => set(moved(lines, l, to))} />
					</div>
					{line.parts.map((part, p) => {
						const place = `card.lines[${l}].parts[${p}]`;
						const put = (next: Partial<Part>) =>
							setParts(
								l,
								line.parts.map((one, i) => (i === p ? { ...one, ...next } : one)),
								place,
							);
						return (
							<div
								key={place}
								className={`flex flex-wrap items-center gap-2 rounded px-1 ${at === place ? "bg-accent" : ""}`}
							>
								<span className="font-semibold">{partLabel(type, part)}</span>
								{part.part === "excerpt" && (
									<span className="flex items-center gap-1.5 text-[0.85rem]">
										<NumberInput
											label="Words of the excerpt"
											value={part.words ?? 24}
											min={1}
											max={500}
											whole
											className="w-18"
											onChange={(words) => put({ words })}
										/>
										words
									</span>
								)}
								{part.part === "field" && (
									<input
										className="input input-xs w-28"
										aria-label={`Words before ${partLabel(type, part)}`}
										placeholder="words before"
										value={part.label ?? ""}
										onChange={(event) => {
											const { label: _, ...rest } = part;
											setParts(
												l,
												line.parts.map((one, i) =>
													i === p ? (event.target.value.trim() ? { ...rest, label: event.target.value } : rest) : one,
												),
												`${place}.label`,
											);
										}}
									/>
								)}
								{part.part === "field" && fieldOf(type, part.field ?? "")?.kind === "number" && (
									<input
										className="input input-xs w-44"
										aria-label={`${partLabel(type, part)} in words`}
										title="In ICU’s MessageFormat: {n, plural, =0 {Sold out} other {# in stock}}"
										placeholder="in words, by the number"
										defaultValue={part.message ?? ""}
										onBlur={(event) => {
											const message = event.target.value.trim();
											const { message: was, ...rest } = part;
											if (message !== (was ?? "")) {
												setParts(
													l,
													line.parts.map((one, i) => (i === p ? (message === "" ? rest : { ...rest, message }) : one)),
												);
											}
										}}
									/>
								)}
								{beside?.(part, (next) =>
									setParts(
										l,
										line.parts.map((one, i) => (i === p ? next : one)),
									),
								)}
								<span className="flex-1" />
								<RowTools
									what={partLabel(type, part)}
									index={p}
									count={line.parts.length}
									onMove={(to) => setParts(l, moved(line.parts, p, to))}
									onRemove={
										count > 1
											? () =>
													setParts(
														l,
														line.parts.filter((_, i) => i !== p),
													)
											: undefined
									}
								/>
							</div>
						);
					})}
					<AddPart choices={choices} label="+ a part here" onAdd={(part) => setParts(l, [...line.parts, part])} />
				</div>
			))}
			<AddPart choices={choices} label="+ a line with…" onAdd={(part) => set([...lines, { parts: [part] }])} />
		</div>
	);
}

function AddPart({ choices, label, onAdd }: { choices: Offer[]; label: string; onAdd: (part: Part) => void }) {
	return (
		<select
			className="select select-sm w-auto max-w-48 text-primary font-semibold justify-self-start"
			aria-label={label.replace("+ ", "Add ")}
			value=""
			onChange={(event) => {
				const found = choices.find((one) => one.key === event.target.value);
				if (found) {
					onAdd(found.part);
				}
			}}
		>
			<option value="" disabled>
				{label}
			</option>
			{choices.map((one) => (
				<option key={one.key} value={one.key}>
					{one.label}
				</option>
			))}
		</select>
	);
}
