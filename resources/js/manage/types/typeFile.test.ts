import { expect, test } from "vitest";
import type { TypeFile } from "../shared/api/schema";
import {
	changed,
	choicesOf,
	fileOf,
	keyFrom,
	newRow,
	ofKind,
	rangeStarts,
	removed,
	renamedOf,
	rowsOf,
	withChoices,
} from "./typeFile";

const plot: TypeFile = {
	$schema: "https://json-schema.org/draft/2020-12/schema",
	title: "Plot",
	type: "object",
	"x-wellspring": { format: 1, key: "plot", plural: "Plots", address: "/plots/{slug}", taxonomies: [] },
	properties: {
		area: { title: "Area", minimum: 1, "x-wellspring": { kind: "number", unit: "m²" } },
		soil: {
			title: "Soil",
			enum: ["clay", "loam"],
			"x-wellspring": { kind: "choice", labels: { clay: "Clay" }, colours: { clay: "#804020" } },
		},
	},
	required: ["area"],
};

test("a type's fields are taken apart and put together without loss, in their order", () => {
	const { properties, required, ...about } = plot;
	const rows = rowsOf(plot);
	expect(fileOf(about, rows)).toEqual(plot);
	expect(Object.keys(fileOf(about, [...rows].reverse()).properties)).toEqual(["soil", "area"]);
	expect(required).toEqual(["area"]);
	expect(Object.keys(properties)).toHaveLength(2);
});

test("a new key is a renaming only where the field was there before", () => {
	const rows = rowsOf(plot);
	const [area] = rows;
	if (area) {
		area.key = "size";
	}
	expect(renamedOf([...rows, newRow("text", [])])).toEqual({ area: "size" });
});

test("choices keep their labels and colours; another kind keeps only what it has a word for", () => {
	const soil = plot.properties.soil;
	if (!soil) {
		throw new Error("no soil");
	}
	expect(withChoices(soil, choicesOf(soil))).toEqual({
		...soil,
		"x-wellspring": { kind: "choice", labels: { clay: "Clay" }, colours: { clay: "#804020" } },
	});
	expect(ofKind(soil, "choices")).toEqual({
		title: "Soil",
		items: { enum: ["clay", "loam"] },
		"x-wellspring": { kind: "choices", labels: { clay: "Clay" } },
	});
	expect(ofKind(soil, "text")).toEqual({ title: "Soil", "x-wellspring": { kind: "text" } });
});

test("keys are made from words", () => {
	expect(keyFrom("Hours of sun")).toBe("hours_of_sun");
	expect(keyFrom("2. Größe (m²)")).toBe("gro_e_m2");
});

test("a range follows a renamed field, and is dropped with a field that is removed or of another kind", () => {
	const rows = rowsOf({
		properties: {
			starts: { title: "Starts", "x-wellspring": { kind: "date" } },
			ends: { title: "Ends", "x-wellspring": { kind: "date", rangeFrom: "starts" } },
			area: { title: "Area", "x-wellspring": { kind: "number" } },
		},
	});
	const [starts, ends] = rows as [(typeof rows)[0], (typeof rows)[0]];
	expect(rangeStarts(rows, ends).map((one) => one.key)).toEqual(["starts"]);
	const from = (all: typeof rows) => all.find((one) => one.key === "ends")?.schema["x-wellspring"].rangeFrom;
	expect(from(changed(rows, starts.id, { key: "begins" }))).toBe("begins");
	expect(from(removed(rows, starts.id))).toBeUndefined();
	expect(from(changed(rows, starts.id, { schema: ofKind(starts.schema, "number") }))).toBeUndefined();
});
