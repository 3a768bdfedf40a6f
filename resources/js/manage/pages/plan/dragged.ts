import type { PageBlock } from "../../shared/api/schema";
import type { Place } from "./edits";

/** A block that is being dragged. */
export interface Dragged {
	block: PageBlock;
	/** The key of its page; null in the frame. */
	page: string | null;
	/** The address of its page; null in the frame. */
	from: string | null;
	/** Its position on that page; null in the frame. */
	place: Place | null;
	/** Removes it from its page or slot. */
	leave: () => void;
}

/** The kind of a dragged block. */
export const BLOCK = "application/x-wellspring-block";

/** A drag operation can carry only text, so the block is stored here under a token. */
let now: { token: string; dragged: Dragged } | null = null;

/** Stores the dragged block and returns its token. */
export function setDragged(dragged: Dragged): string {
	now = { token: crypto.randomUUID(), dragged };
	return now.token;
}

/** The dragged block of a token; null if it comes from another window. */
export function getDragged(token: string): Dragged | null {
	return now?.token === token ? now.dragged : null;
}
