import { expect, test } from "vitest";
import type { ContentType, Field } from "../../shared/api/schema";
import { beginning, columnsOf, restored } from "./tableState";

const field = (key: string, family: Field["family"], origin: Field["origin"] = "type") =>
	({ key, label: key, family, origin, sorts: family === "number", choices: [], tests: [] }) as unknown as Field;
const type = {
	key: "plot",
	fields: [
		field("title", "text", "item"),
		field("updated_at", "instant", "item"),
		field("picture", "picture"),
		field("area", "number"),
		field("story", "longText"),
		field("villages", "terms", "taxonomy"),
	],
} as unknown as ContentType;

test("a table begins with a picture, terms and plain fields, and never shows long texts", () => {
	expect(beginning(type).columns.map((one) => one.key)).toEqual([
		"picture",
		"villages",
		"area",
		"status",
		"updated_at",
	]);
	expect(columnsOf(type).map((one) => one.key)).not.toContain("story");
});

test("what was kept loses what the type no longer has", () => {
	const kept = restored(type, {
		columns: [
			{ key: "area", width: 99 },
			{ key: "gone", width: 10 },
		],
		sort: "gone",
		filters: [
			{ field: "gone", test: "filled" },
			{ field: "area", test: "filled" },
		],
	});
	expect(kept.columns).toEqual([{ key: "area", width: 99 }]);
	expect(kept.sort).toBe("updated_at");
	expect(kept.filters).toEqual([{ field: "area", test: "filled" }]);
	expect(restored(type, { sort: "area" }).sort).toBe("area");
});
