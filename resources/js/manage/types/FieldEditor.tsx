import type { ReactNode } from "react";
import type { FieldSchema, Problem, Types } from "../shared/api/schema";
import { useStart } from "../shared/api/start";
import { Choices } from "./FieldChoices";
import { Default } from "./FieldDefault";
import { type FieldRow, keyFrom, ofKind } from "./typeFile";

const LABELS: Record<string, string> = {
	minimum: "At least",
	maximum: "At most",
	decimals: "Digits after the point",
	minLength: "Characters, at least",
	maxLength: "Characters, at most",
	maxItems: "How many, at most",
	pattern: "Pattern (a regular expression)",
	earliest: "Not before",
	latest: "Not after",
};

const WHOLE = ["decimals", "minLength", "maxLength", "maxItems"];

const OWN = ["decimals", "earliest", "latest", "rangeFrom", "unit"];

/** All settings of one field. */
export function FieldEditor({
	row,
	kinds,
	problems,
	starts,
	onChange,
}: {
	row: FieldRow;
	kinds: Types["kinds"];
	problems: Problem[];
	/** The fields that can begin a range that this field ends. */
	starts: FieldRow[];
	onChange: (change: Partial<FieldRow>) => void;
}) {
	const { types } = useStart();
	const { schema } = row;
	const own = schema["x-wellspring"];
	const kind = kinds.find((one) => one.key === own.kind);
	const says = (limit: string) => kind?.limits.includes(limit) ?? false;
	const set = (word: string, value: unknown) => {
		const next = { ...schema } as FieldSchema;
		const inside = { ...own } as Record<string, unknown>;
		const at = OWN.includes(word) || word === "section" || word === "types" ? inside : next;
		if (value === undefined || value === "" || (Array.isArray(value) && value.length === 0)) {
			delete at[word];
		} else {
			at[word] = value;
		}
		onChange({ schema: { ...next, "x-wellspring": inside as FieldSchema["x-wellspring"] } });
	};
	const value = (word: string) =>
		(OWN.includes(word) ? own[word as "unit"] : schema[word]) as string | number | undefined;
	const labelled = (words: string, control: ReactNode, help?: string) => (
		// biome-ignore lint/a11y/noLabelWithoutControl: the control is given
		<label className="grid gap-1 content-start min-w-0">
			<span className="font-semibold">{words}</span>
			{control}
			{help && <span className="text-xs text-quiet">{help}</span>}
		</label>
	);
	const input = (word: string, type: "number" | "text" | "date") => (
		<input
			type={type}
			step={type === "number" ? (WHOLE.includes(word) ? 1 : "any") : undefined}
			className="input w-full"
			value={value(word) ?? ""}
			onChange={(event) =>
				set(word, type === "number" && event.target.value !== "" ? Number(event.target.value) : event.target.value)
			}
		/>
	);
	return (
		<div className="grid gap-4 sm:grid-cols-2 lg:grid-cols-3 px-4 pb-5 pt-2 bg-base-200">
			{problems.map((one) => (
				<p key={one.path + one.message} className="col-span-full text-error font-medium">
					{one.path.replace(`properties.${row.key}`, "").replace(/^\./, "")} {one.message}
				</p>
			))}
			{labelled(
				"Label",
				<input
					className="input w-full"
					// biome-ignore lint/a11y/noAutofocus: the person has just added the field
					autoFocus={row.was === null && schema.title === ""}
					value={schema.title}
					onChange={(event) => {
						const follows = row.was === null && (row.key === keyFrom(schema.title) || /^field_\d+$/.test(row.key));
						onChange({
							schema: { ...schema, title: event.target.value },
							...(follows && keyFrom(event.target.value) !== "" ? { key: keyFrom(event.target.value) } : {}),
						});
					}}
				/>,
			)}
			{labelled(
				"Key",
				<input
					className="input w-full font-mono"
					value={row.key}
					onChange={(event) => onChange({ key: event.target.value })}
				/>,
				"In files, imports and modules. Stored values follow a new key.",
			)}
			{labelled(
				"Kind",
				<select
					className="select w-full"
					value={own.kind}
					onChange={(event) => onChange({ schema: ofKind(schema, event.target.value) })}
				>
					{kinds.map((one) => (
						<option key={one.key} value={one.key}>
							{one.words}
						</option>
					))}
				</select>,
			)}
			{labelled(
				"Help beside it in the form",
				<input
					className="input w-full"
					value={schema.description ?? ""}
					onChange={(event) => set("description", event.target.value)}
				/>,
			)}
			{labelled(
				"Under the heading",
				<input
					className="input w-full"
					value={own.section ?? ""}
					onChange={(event) => set("section", event.target.value)}
				/>,
				"Fields of one heading stand together.",
			)}
			<label className="flex items-center gap-2 cursor-pointer self-center">
				<input
					type="checkbox"
					className="checkbox checkbox-sm"
					checked={row.required}
					onChange={() => onChange({ required: !row.required })}
				/>
				<span className="font-semibold">Every item must have one</span>
			</label>
			{says("unit") && labelled("Unit", input("unit", "text"), "Shown after the number: m², cm, min.")}
			{["minimum", "maximum", "decimals", "minLength", "maxLength", "maxItems"].filter(says).map((word) => (
				<div key={word}>{labelled(LABELS[word] ?? word, input(word, "number"))}</div>
			))}
			{["earliest", "latest"].filter(says).map((word) => (
				<div key={word}>{labelled(LABELS[word] ?? word, input(word, "date"))}</div>
			))}
			{says("rangeFrom") &&
				starts.length > 0 &&
				labelled(
					"Ends a range that begins with",
					<select
						className="select w-full"
						value={value("rangeFrom") ?? ""}
						onChange={(event) => set("rangeFrom", event.target.value)}
					>
						<option value="">no range</option>
						{starts.map((one) => (
							<option key={one.key} value={one.key}>
								{one.schema.title || one.key}
							</option>
						))}
					</select>,
					"A value before that field’s is refused.",
				)}
			{says("pattern") && labelled(LABELS.pattern ?? "", input("pattern", "text"))}
			{says("default") &&
				own.kind !== "choices" &&
				labelled("A new item begins with", <Default schema={schema} onChange={(next) => set("default", next)} />)}
			{says("types") && (
				<fieldset className="col-span-full">
					<legend className="font-semibold mb-1">Items of these types</legend>
					<div className="flex flex-wrap gap-x-5 gap-y-1">
						{types.map((one) => (
							<label key={one.key} className="flex items-center gap-2 cursor-pointer">
								<input
									type="checkbox"
									className="checkbox checkbox-xs"
									checked={own.types?.includes(one.key) ?? false}
									onChange={() => {
										const now = own.types ?? [];
										set("types", now.includes(one.key) ? now.filter((key) => key !== one.key) : [...now, one.key]);
									}}
								/>
								{one.plural}
							</label>
						))}
					</div>
				</fieldset>
			)}
			{says("choices") && (
				<Choices schema={schema} isNew={row.was === null} onChange={(next) => onChange({ schema: next })} />
			)}
		</div>
	);
}
