import { describe, expect, it } from "vitest";
import type { Definition, Field, Group } from "../shared/api/schema";
import { moved } from "../shared/controls/lists";
import {
	at,
	finishedCondition,
	isGroup,
	isUnfinished,
	joinOf,
	members,
	newCondition,
	withAt,
	withJoin,
	withMembers,
	withWhere,
} from "./definition";

const definition: Definition = {
	format: 1,
	key: "plants",
	name: "Plants",
	source: { items: ["plant"] },
	where: { all: [{ field: "light", test: "filled" }, { any: [{ field: "price", test: "gt", value: 4 }] }] },
	order: [{ by: "price", direction: "up", empty: "last" }],
	page: { mode: "numbered", size: 8 },
	arrange: { as: "grid", columns: { phone: 1, tablet: 2, laptop: 3, desktop: 4 } },
	card: { lines: [{ parts: [{ part: "title" }, { part: "price", empty: { do: "leaveOutLine" } }] }] },
	whenNothing: { do: "say", text: "Nothing." },
};

const price = {
	key: "price",
	family: "number",
	tests: [{ key: "gte", words: "is at least", wantsValue: true, from: [] }],
	usual: { test: "gte", value: null, isComplete: false },
} as unknown as Field;

describe("places in a definition", () => {
	it("are read as they are written", () => {
		expect(at(definition, "where.all[1].any[0].value")).toBe(4);
		expect(at(definition, "card.lines[0].parts[1].empty.do")).toBe("leaveOutLine");
		expect(at(definition, "where.none[3].value")).toBeUndefined();
		expect(at(definition, "skip")).toBeUndefined();
	});

	it("are changed in a copy, and nothing beside them", () => {
		const before = structuredClone(definition);
		const after = withAt(definition, "where.all[1].any[0].value", 9);
		expect(at(after, "where.all[1].any[0].value")).toBe(9);
		expect(definition).toEqual(before);
		expect(withAt(after, "where.all[1].any[0].value", 4)).toEqual(before);
		expect(after.card).toBe(definition.card);
	});

	it("take a key away with undefined, and make one that was not there", () => {
		const skipped = withAt(definition, "skip", 3);
		expect(skipped.skip).toBe(3);
		expect(withAt(skipped, "skip", undefined)).toEqual(definition);
		expect(
			"empty" in at<object>(withAt(definition, "card.lines[0].parts[1].empty", undefined), "card.lines[0].parts[1]"),
		).toBe(false);
	});
});

describe("groups", () => {
	const where = definition.where as Group;

	it("are told from conditions", () => {
		expect(members(where).map(isGroup)).toEqual([false, true]);
		expect(isGroup(newCondition(price))).toBe(false);
	});

	it("hold a condition only when it has its value", () => {
		expect(isUnfinished(newCondition(price), price)).toBe(true);
		expect(isUnfinished({ field: "price", test: "gte", value: 0 }, price)).toBe(false);
		expect(finishedCondition(price)).toEqual({ field: "price", test: "filled" });
	});

	it("change how they join without losing a member or being switched off", () => {
		const any = withJoin({ ...where, off: true }, "any");
		expect(joinOf(any)).toBe("any");
		expect(any).toEqual({ any: members(where), off: true });
		expect(withJoin(any, "all")).toEqual({ ...where, off: true });
	});

	it("keep their join when their members change", () => {
		expect(withMembers({ none: [] }, [newCondition(price)])).toEqual({
			none: [{ field: "price", test: "gte" }],
		});
	});

	it("leave the definition when nothing is asked any more", () => {
		expect("where" in withWhere(definition, { all: [] })).toBe(false);
		expect(withWhere(definition, where)).toEqual(definition);
	});
});

describe("moving", () => {
	it("keeps every one, in the new order", () => {
		expect(moved(["a", "b", "c"], 0, 2)).toEqual(["b", "c", "a"]);
		expect(moved(["a", "b", "c"], 2, 0)).toEqual(["c", "a", "b"]);
		expect(moved(["a"], 0, 0)).toEqual(["a"]);
	});
});
