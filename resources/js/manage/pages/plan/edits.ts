import type { PageBand, PageBlock, PageFile, PageSlot } from "../../shared/api/schema";

/** The position of a block: its band, its slot, and its index. */
export interface Place {
	band: number;
	slot: number;
	at: number;
}

/** The sum of the shares of a band's slots. */
export const TWELFTHS = 12;

export function withBand(page: PageFile, band: number, change: (now: PageBand) => PageBand): PageFile {
	return { ...page, bands: page.bands.map((one, i) => (i === band ? change(one) : one)) };
}

function freeKey(page: PageFile, wanted: string): string {
	const taken = new Set(page.bands.map((one) => one.key));
	let key = wanted;
	for (let n = 2; taken.has(key); n++) {
		key = `${wanted}-${n}`;
	}
	return key;
}

export function addBand(page: PageFile): PageFile {
	return {
		...page,
		bands: [...page.bands, { key: freeKey(page, "band"), slots: [{ share: TWELFTHS, blocks: [] }] }],
	};
}

export function removeBand(page: PageFile, band: number): PageFile {
	return { ...page, bands: page.bands.filter((_, i) => i !== band) };
}

/** Moves a band up or down among the others. */
export function moveBand(page: PageFile, from: number, to: number): PageFile {
	const bands = [...page.bands];
	bands.splice(to, 0, ...bands.splice(from, 1));
	return { ...page, bands };
}

export function duplicateBand(page: PageFile, band: number): PageFile {
	const copied = page.bands[band];
	if (!copied) {
		return page;
	}
	const bands = [...page.bands];
	bands.splice(band + 1, 0, { ...structuredClone(copied), key: freeKey(page, copied.key) });
	return { ...page, bands };
}

/** Splits the band into slots with these shares; blocks of removed slots move to the last one. */
export function splitBand(page: PageFile, band: number, shares: number[]): PageFile {
	return withBand(page, band, (now) => {
		const rest = now.slots.slice(shares.length).flatMap((one) => one.blocks);
		return {
			...now,
			slots: shares.map((share, i) => ({
				...now.slots[i],
				share,
				blocks: [...(now.slots[i]?.blocks ?? []), ...(i === shares.length - 1 ? rest : [])],
			})),
		};
	});
}

/** Moves the line between two slots by a number of twelfths, as long as both keep one. */
export function moveLine(page: PageFile, band: number, slot: number, by: number): PageFile {
	return withBand(page, band, (now) => {
		const [left, right] = [now.slots[slot], now.slots[slot + 1]];
		if (!left || !right) {
			return now;
		}
		const moved = Math.max(1 - left.share, Math.min(right.share - 1, by));
		return {
			...now,
			slots: now.slots.map((one, i) =>
				i === slot
					? { ...one, share: left.share + moved }
					: i === slot + 1
						? { ...one, share: right.share - moved }
						: one,
			),
		};
	});
}

export function withSlot(page: PageFile, band: number, slot: number, change: (now: PageSlot) => PageSlot): PageFile {
	return withBand(page, band, (now) => ({
		...now,
		slots: now.slots.map((one, i) => (i === slot ? change(one) : one)),
	}));
}

function withBlocks(page: PageFile, place: Place, change: (now: PageBlock[]) => PageBlock[]): PageFile {
	return withSlot(page, place.band, place.slot, (now) => ({ ...now, blocks: change(now.blocks) }));
}

/** Adds a block at the end of the page: in its last slot, or in a new band. */
export function appendBlock(page: PageFile, block: PageBlock): PageFile {
	const whole = page.bands.length === 0 ? addBand(page) : page;
	const band = whole.bands.length - 1;
	const slot = (whole.bands[band]?.slots.length ?? 1) - 1;
	return addBlock(whole, { band, slot, at: whole.bands[band]?.slots[slot]?.blocks.length ?? 0 }, block);
}

export function addBlock(page: PageFile, place: Place, block: PageBlock): PageFile {
	return withBlocks(page, place, (now) => [...now.slice(0, place.at), block, ...now.slice(place.at)]);
}

export function setBlock(page: PageFile, place: Place, block: PageBlock): PageFile {
	return withBlocks(page, place, (now) => now.map((one, i) => (i === place.at ? block : one)));
}

export function removeBlock(page: PageFile, place: Place): PageFile {
	return withBlocks(page, place, (now) => now.filter((_, i) => i !== place.at));
}

/** Moves a block; within its own slot, the index is counted without it. */
export function moveBlock(page: PageFile, from: Place, to: Place): PageFile {
	const block = page.bands[from.band]?.slots[from.slot]?.blocks[from.at];
	return block ? addBlock(removeBlock(page, from), to, block) : page;
}
