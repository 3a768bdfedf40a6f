import { expect, test } from "vitest";
import type { TermRow } from "../shared/schema";
import { above, fitting, linesOf } from "./tree";

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

test("terms stand as lines, parents before what is below, closed ones shut", () => {
	expect(linesOf(terms, () => true).map((one) => [one.term.id, one.depth])).toEqual([
		[1, 0],
		[2, 1],
		[3, 2],
		[4, 1],
		[5, 0],
	]);
	expect(linesOf(terms, (id) => id === 1).map((one) => one.term.id)).toEqual([1, 2, 4, 5]);
	expect(linesOf(terms, () => false).map((one) => [one.term.id, one.below, one.neighbours])).toEqual([
		[1, 2, 2],
		[5, 0, 2],
	]);
});

test("what is found keeps its place in the tree", () => {
	expect(fitting(terms, "tree").map((one) => one.id)).toEqual([1, 2, 3]);
	expect(above(terms, 3)).toEqual([2, 1]);
});

test("five thousand terms are laid out at once", () => {
	const many = Array.from({ length: 5000 }, (_, i) => term(i + 1, i < 50 ? null : Math.floor(i / 50), `Term ${i}`));
	expect(linesOf(many, () => true)).toHaveLength(5000);
});
