import { expect, test } from "vitest";
import { indent, move, outdent, remove, set } from "./menuEdits";

const menu = () => [{ page: "shop", entries: [{ page: "ferns" }, { page: "bulbs" }] }, { page: "journal" }];

test("entries move among those beside them, below one another, and up again", () => {
	expect(move(menu(), [0, 0], 1)).toEqual([
		{ page: "shop", entries: [{ page: "bulbs" }, { page: "ferns" }] },
		{ page: "journal" },
	]);
	expect(indent(menu(), [1])).toEqual([
		{ page: "shop", entries: [{ page: "ferns" }, { page: "bulbs" }, { page: "journal" }] },
	]);
	expect(outdent(menu(), [0, 0])).toEqual([
		{ page: "shop", entries: [{ page: "bulbs" }] },
		{ page: "ferns" },
		{ page: "journal" },
	]);
	expect(outdent(menu(), [1])).toEqual(menu());
	expect(indent(menu(), [0])).toEqual(menu());
});

test("an entry is changed and removed where it stands, and none is left below without a trace", () => {
	expect(set(menu(), [0, 1], { link: "/b", label: "B" })[0]).toEqual({
		page: "shop",
		entries: [{ page: "ferns" }, { link: "/b", label: "B" }],
	});
	expect(remove(remove(menu(), [0, 1]), [0, 0])).toEqual([{ page: "shop" }, { page: "journal" }]);
});
