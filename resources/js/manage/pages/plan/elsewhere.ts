import { get, put } from "../../shared/api/api";
import type { PageBlock } from "../../shared/api/schema";
import { appendBlock } from "./edits";

/** The slots of the frame, by key. */
export const FRAME_SLOTS: [string, string][] = [
	["header", "In the header"],
	["before", "Before the body"],
	["side", "At the side"],
	["after", "After the body"],
	["footer", "In the footer"],
];

/** A target for a block: a page by its key, or a slot of the frame. */
export type Elsewhere = { page: string } | { slot: string };

export function elsewhereOf(key: string): Elsewhere {
	return key.startsWith("frame ") ? { slot: key.slice("frame ".length) } : { page: key };
}

/**
 * Moves the block to the end of another page's draft, or of a slot of the frame. In the frame it shows only on its old
 * page. The server refuses blocks that are not allowed there, and then nothing changes.
 *
 * @param from the address of the page that it comes from
 */
export async function putElsewhere(block: PageBlock, to: Elsewhere, from: string | null): Promise<void> {
	if ("page" in to) {
		const { on: _, ...rest } = block;
		const page = await get("/pages/{key}", { params: { path: { key: to.page } } });
		await put("/pages/{key}/draft", {
			params: { path: { key: to.page } },
			body: {
				definition: appendBlock(page.definition, rest),
				revision: page.revision,
			},
		});
		return;
	}
	const frame = await get("/frame");
	const { slots } = frame.definition;
	await put("/frame/draft", {
		body: {
			definition: {
				...frame.definition,
				slots: {
					...slots,
					[to.slot]: [...(slots[to.slot] ?? []), from === null ? block : { ...block, on: { pages: [from] } }],
				},
			},
			revision: frame.revision,
		},
	});
}
