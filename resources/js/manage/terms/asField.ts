import type { Field, FieldSchema } from "../shared/api/schema";
import { choicesOf } from "../types/typeFile";

/** Converts a field from a file's form to the form of the controls. */
export function asField(key: string, schema: FieldSchema, required: boolean): Field {
	const own = schema["x-wellspring"];
	const { kind } = own;
	const family = (
		kind === "money" ? "number" : kind === "link" || kind === "colour" ? "text" : kind
	) as Field["family"];
	const { minimum, maximum, minLength, maxLength, maxItems } = schema;
	const limits = { minimum, maximum, minLength, maxLength, maxItems, decimals: own.decimals };
	return {
		key,
		label: schema.title,
		kind,
		family,
		origin: "type",
		help: schema.description ?? "",
		section: own.section ?? "",
		unit: own.unit ?? "",
		required,
		types: own.types ?? [],
		limits: Object.fromEntries(Object.entries(limits).filter(([, value]) => value !== undefined)),
		choices: choicesOf(schema).map((one) => ({
			key: one.key,
			label: one.label || one.key,
			colour: one.colour || null,
		})),
		tests: [],
		sorts: false,
		directions: null,
		onCards: false,
		taxonomy: null,
		takes: [],
		controls: [],
		usual: { test: "filled", value: null, isComplete: true },
	};
}
