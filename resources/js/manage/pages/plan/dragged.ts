import type { PageBlock } from "../../shared/api/schema";
import type { Place } from "./edits";

/** A block that is being dragged. */
export interface Dragged {
	block: PageBlock;
	/** The key of the page that it stands on; null in the frame. */
	page: string | null;
	/** The address of the page that it stands on; null in the frame. */
	from: string | null;
	/** Its place on that page; null in the frame. */
	place: Place | null;
	/** Removes it from where it stands. */
	leave: () => void;
}

/** The kind of a dragged block. */
export const BLOCK = "application/x-wellspring-block";

/** A dragged thing carries only text, so the block waits here under a token. */
let now: { token: string; dragged: Dragged } | null = null;

/** Remembers what is dragged; returns the token to carry. */
export function setDragged(dragged: Dragged): string {
	now = { token: crypto.randomUUID(), dragged };
	return now.token;
}

/** What is dragged under the token; null if it was dragged from another window. */
export function getDragged(token: string): Dragged | null {
	return now?.token === token ? now.dragged : null;
}
