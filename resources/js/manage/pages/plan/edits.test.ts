import { expect, test } from "vitest";
import type { PageFile } from "../../shared/api/schema";
import { addBand, addBlock, duplicateBand, moveBand, moveBlock, moveLine, removeBlock, splitBand } from "./edits";

const page: PageFile = {
	format: 1,
	key: "home",
	address: "/",
	title: "Home",
	bands: [
		{ key: "top", slots: [{ share: 12, blocks: [{ module: "a" }, { module: "b" }] }] },
		{
			key: "band",
			slots: [
				{ share: 8, blocks: [{ block: "space" }] },
				{ share: 4, blocks: [] },
			],
		},
	],
};
/** Bands in a short readable form: `key: share [blocks]`. */
const said = (now: PageFile) =>
	now.bands.map((band) => {
		const slots = band.slots.map(
			({ share, blocks }) => `${share} [${blocks.map((block) => block.module ?? block.block).join(" ")}]`,
		);
		return `${band.key}: ${slots.join(" | ")}`;
	});

test("bands are added, copied under a key of their own, and moved", () => {
	expect(said(addBand(page))[2]).toBe("band-2: 12 []");
	expect(said(duplicateBand(page, 0)).slice(0, 2)).toEqual(["top: 12 [a b]", "top-2: 12 [a b]"]);
	expect(said(moveBand(page, 1, 0)).map((one) => one.split(":")[0])).toEqual(["band", "top"]);
});

test("a band that gets fewer slots loses none of its blocks", () => {
	const split = splitBand(page, 0, [6, 3, 3]);
	expect(said(split)[0]).toBe("top: 6 [a b] | 3 [] | 3 []");
	const moved = moveBlock(split, { band: 0, slot: 0, at: 0 }, { band: 0, slot: 2, at: 0 });
	expect(said(splitBand(moved, 0, [12]))[0]).toBe("top: 12 [b a]");
});

test("the line between two slots moves as far as both keep a twelfth", () => {
	expect(said(moveLine(page, 1, 0, -2))[1]).toBe("band: 6 [space] | 6 []");
	expect(said(moveLine(page, 1, 0, 9))[1]).toBe("band: 11 [space] | 1 []");
	expect(said(moveLine(page, 1, 0, -20))[1]).toBe("band: 1 [space] | 11 []");
});

test("a block moves within its slot and to another band", () => {
	expect(said(moveBlock(page, { band: 0, slot: 0, at: 0 }, { band: 0, slot: 0, at: 1 }))[0]).toBe("top: 12 [b a]");
	const away = moveBlock(page, { band: 0, slot: 0, at: 1 }, { band: 1, slot: 1, at: 0 });
	expect(said(away)).toEqual(["top: 12 [a]", "band: 8 [space] | 4 [b]"]);
	expect(
		said(addBlock(removeBlock(page, { band: 1, slot: 0, at: 0 }), { band: 1, slot: 0, at: 0 }, { module: "c" })),
	).toEqual(["top: 12 [a b]", "band: 8 [c] | 4 []"]);
});
