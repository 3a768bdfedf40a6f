import { expect, test } from "vitest";
import type { TermRow } from "../shared/api/schema";
import { above, childrenOf, fitting, landing } from "./tree";

const term = (id: number, parent: number | null, name: string): TermRow => ({
	id,
	parent,
	slug: name,
	name,
	colour: null,
	items: 0,
	withBelow: 0,
});
const terms = [
	term(1, null, "Perennials"),
	term(2, 1, "Ferns"),
	term(3, 2, "Tree ferns"),
	term(4, 1, "Hostas"),
	term(5, null, "Shrubs"),
];

test("a dropped term lands beside or below another, never below itself", () => {
	expect(landing(terms, 5, 2, "before")).toEqual({ parent: 1, position: 0 });
	expect(landing(terms, 2, 4, "after")).toEqual({ parent: 1, position: 1 });
	expect(landing(terms, 5, 1, "on")).toEqual({ parent: 1, position: 2 });
	expect(landing(terms, 1, 3, "before")).toBeNull();
	expect(landing(terms, 1, 1, "on")).toBeNull();
	expect(
		childrenOf(terms)
			.get(1)
			?.map((one) => one.id),
	).toEqual([2, 4]);
});

test("what is found keeps its place in the tree", () => {
	expect(fitting(terms, "tree").map((one) => one.id)).toEqual([1, 2, 3]);
	expect(above(terms, 3)).toEqual([2, 1]);
});
