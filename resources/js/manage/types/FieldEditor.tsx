import type { ReactNode } from "react";
import type { Problem } from "../shared/api";
import { useStart } from "../shared/start";
import type { TypesAnswer } from "./TypesScreen";
import { choicesOf, type FieldRow, type FieldSchema, keyFrom, ofKind, withChoices } from "./typeFile";

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
const OWN = ["decimals", "earliest", "latest", "unit"];

/** Everything that can be said of one field. */
export function FieldEditor({
	row,
	kinds,
	problems,
	onChange,
}: {
	row: FieldRow;
	kinds: TypesAnswer["kinds"];
	problems: Problem[];
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
			{help && <span className="text-[0.82rem] text-quiet">{help}</span>}
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
			{says("choices") && <Choices schema={schema} onChange={(next) => onChange({ schema: next })} />}
		</div>
	);
}

function Default({ schema, onChange }: { schema: FieldSchema; onChange: (value: unknown) => void }) {
	const { kind } = schema["x-wellspring"];
	const now = schema.default;
	if (kind === "yesNo" || kind === "choice") {
		const options =
			kind === "yesNo"
				? [
						{ key: "yes", label: "yes" },
						{ key: "no", label: "no" },
					]
				: choicesOf(schema).map((one) => ({ key: one.key, label: one.label || one.key }));
		return (
			<select
				className="select w-full"
				value={now === true ? "yes" : now === false ? "no" : typeof now === "string" ? now : ""}
				onChange={(event) =>
					onChange(
						event.target.value === ""
							? undefined
							: kind === "yesNo"
								? event.target.value === "yes"
								: event.target.value,
					)
				}
			>
				<option value="">nothing</option>
				{options.map((one) => (
					<option key={one.key} value={one.key}>
						{one.label}
					</option>
				))}
			</select>
		);
	}
	const type = kind === "number" || kind === "money" ? "number" : kind === "date" ? "date" : "text";
	return (
		<input
			type={type}
			step="any"
			className="input w-full"
			value={typeof now === "string" || typeof now === "number" ? now : ""}
			onChange={(event) =>
				onChange(
					event.target.value === "" ? undefined : type === "number" ? Number(event.target.value) : event.target.value,
				)
			}
		/>
	);
}

function Choices({ schema, onChange }: { schema: FieldSchema; onChange: (schema: FieldSchema) => void }) {
	const choices = choicesOf(schema);
	const set = (at: number, change: Partial<(typeof choices)[number]>) =>
		onChange(
			withChoices(
				schema,
				choices.map((one, i) => (i === at ? { ...one, ...change } : one)),
			),
		);
	return (
		<fieldset className="col-span-full grid gap-2">
			<legend className="font-semibold mb-1">Choices, in the order in which they sort</legend>
			{choices.map((one, i) => (
				<div key={`choice-${i.toString()}`} className="flex flex-wrap gap-2 items-center">
					<input
						className="input input-sm w-40 font-mono"
						aria-label={`Key of choice ${i + 1}`}
						value={one.key}
						onChange={(event) => set(i, { key: event.target.value })}
					/>
					<input
						className="input input-sm w-48"
						aria-label={`Label of choice ${i + 1}`}
						placeholder={one.key}
						value={one.label}
						onChange={(event) => set(i, { label: event.target.value })}
					/>
					<input
						type="color"
						className="w-9 h-8 p-0.5 rounded-field border border-[#8b9a9c] bg-base-100"
						aria-label={`Colour of choice ${i + 1}`}
						value={one.colour || "#e2ded2"}
						onChange={(event) => set(i, { colour: event.target.value })}
					/>
					<button
						type="button"
						className="btn btn-xs btn-ghost"
						aria-label={`Move choice ${i + 1} up`}
						disabled={i === 0}
						onClick={() => {
							const next = [...choices];
							next.splice(i - 1, 0, ...next.splice(i, 1));
							onChange(withChoices(schema, next));
						}}
					>
						↑
					</button>
					<button
						type="button"
						className="btn btn-xs btn-ghost"
						aria-label={`Remove choice ${i + 1}`}
						disabled={choices.length === 1}
						onClick={() =>
							onChange(
								withChoices(
									schema,
									choices.filter((_, at) => at !== i),
								),
							)
						}
					>
						×
					</button>
				</div>
			))}
			<button
				type="button"
				className="plain-add justify-self-start"
				onClick={() =>
					onChange(withChoices(schema, [...choices, { key: `choice-${choices.length + 1}`, label: "", colour: "" }]))
				}
			>
				+ a choice
			</button>
		</fieldset>
	);
}
