import type { FieldSchema, TypeFile } from "../shared/api/schema";
/** A field during editing; `was` is its old key, null for a new one. */
export interface FieldRow {
	id: number;
	was: string | null;
	key: string;
	required: boolean;
	schema: FieldSchema;
}

let last = 0;

export function rowsOf(file: Pick<TypeFile, "properties" | "required">): FieldRow[] {
	return Object.entries(file.properties).map(([key, schema]) => ({
		id: ++last,
		was: key,
		key,
		required: file.required?.includes(key) ?? false,
		schema,
	}));
}

/** Rows of a draft with ids that are unique on this page. */
export function withOwnIds(rows: FieldRow[]): FieldRow[] {
	return rows.map((row) => ({ ...row, id: ++last }));
}

export function newRow(kind: string, taken: string[]): FieldRow {
	let n = 1;
	while (taken.includes(`field_${n}`)) {
		n++;
	}
	return {
		id: ++last,
		was: null,
		key: `field_${n}`,
		required: false,
		schema: ofKind({ title: "", "x-wellspring": { kind } }, kind),
	};
}

/** The same field with another kind; properties that the new kind lacks are dropped. */
export function ofKind(schema: FieldSchema, kind: string): FieldSchema {
	const { title, description } = schema;
	const { section } = schema["x-wellspring"];
	const keys = choicesOf(schema).map((one) => one.key);
	// Starts with one empty line for the person to fill in.
	const choices = keys.length > 0 ? keys : [""];
	const own = {
		kind,
		...(section ? { section } : {}),
		...(kind === "choice" || kind === "choices" ? { labels: schema["x-wellspring"].labels ?? {} } : {}),
	};
	return {
		title,
		...(description ? { description } : {}),
		...(kind === "choice" ? { enum: choices } : {}),
		...(kind === "choices" ? { items: { enum: choices } } : {}),
		"x-wellspring": own,
	};
}

export function choicesOf(schema: FieldSchema): { key: string; label: string; colour: string }[] {
	const { labels = {}, colours = {} } = schema["x-wellspring"];
	return (schema.enum ?? (schema.items as { enum?: string[] } | undefined)?.enum ?? []).map((key) => ({
		key,
		label: labels[key] ?? "",
		colour: colours[key] ?? "",
	}));
}

export function withChoices(
	schema: FieldSchema,
	choices: { key: string; label: string; colour: string }[],
): FieldSchema {
	const keys = choices.map((one) => one.key);
	const said = (word: "label" | "colour") =>
		Object.fromEntries(choices.filter((one) => one[word] !== "").map((one) => [one.key, one[word]]));
	const { labels: _, colours: __, ...own } = schema["x-wellspring"];
	const colours = said("colour");
	return {
		...schema,
		...(schema["x-wellspring"].kind === "choice" ? { enum: keys } : { items: { enum: keys } }),
		"x-wellspring": { ...own, labels: said("label"), ...(Object.keys(colours).length > 0 ? { colours } : {}) },
	};
}

export function fileOf(about: Omit<TypeFile, "properties" | "required">, rows: FieldRow[]): TypeFile {
	const required = rows.filter((row) => row.required).map((row) => row.key);
	return {
		...about,
		properties: Object.fromEntries(rows.map((row) => [row.key, row.schema])),
		...(required.length > 0 ? { required } : {}),
	};
}

/**
 * The rows with one changed field. Ranges that begin with it follow its new key; ranges that it can no longer begin are
 * dropped.
 */
export function changed(rows: FieldRow[], id: number, change: Partial<FieldRow>): FieldRow[] {
	const before = rows.find((one) => one.id === id);
	return withoutLostRanges(
		rows.map((one) => {
			if (one.id === id) {
				return { ...one, ...change };
			}
			return change.key !== undefined && one.schema["x-wellspring"].rangeFrom === before?.key
				? withRange(one, change.key)
				: one;
		}),
	);
}

/** The rows without one field, and without ranges that began with it. */
export function removed(rows: FieldRow[], id: number): FieldRow[] {
	return withoutLostRanges(rows.filter((one) => one.id !== id));
}

/** The fields that can begin a range that this field ends. */
export function rangeStarts(rows: FieldRow[], row: FieldRow): FieldRow[] {
	return rows.filter((one) => one.id !== row.id && one.schema["x-wellspring"].kind === row.schema["x-wellspring"].kind);
}

function withRange(row: FieldRow, from: string | null): FieldRow {
	const { rangeFrom: _, ...own } = row.schema["x-wellspring"];
	return { ...row, schema: { ...row.schema, "x-wellspring": from === null ? own : { ...own, rangeFrom: from } } };
}

function withoutLostRanges(rows: FieldRow[]): FieldRow[] {
	return rows.map((row) => {
		const from = row.schema["x-wellspring"].rangeFrom;
		return from === undefined || rangeStarts(rows, row).some((one) => one.key === from) ? row : withRange(row, null);
	});
}

export function renamedOf(rows: FieldRow[]): Record<string, string> {
	return Object.fromEntries(
		rows.filter((row) => row.was !== null && row.was !== row.key).map((row) => [row.was, row.key]),
	);
}

/** The key of a choice from its label, such as `half-shade`. */
export function choiceKeyFrom(label: string): string {
	return keyFrom(label).replaceAll("_", "-");
}

/** A key made from words, in the form of a file. */
export function keyFrom(words: string): string {
	return words
		.normalize("NFKD")
		.replace(/\p{M}/gu, "")
		.toLowerCase()
		.replace(/[^a-z0-9]+/g, "_")
		.replace(/^[_0-9]+|_+$/g, "")
		.slice(0, 60);
}
