import type { PageBlock } from "../../shared/api/schema";

/** A block that is being dragged, and how it leaves where it stands. */
export interface Dragged {
	block: PageBlock;
	/** The key of the page that it stands on; null in the frame. */
	page: string | null;
	/** The address of the page that it stands on; null in the frame. */
	from: string | null;
	leave: () => void;
}

export const DRAGGED = "application/x-wellspring-block";

/** A browser tells only text to what something is dropped on; the rest waits here. */
let now: Dragged | null = null;

export function setDragged(dragged: Dragged | null) {
	now = dragged;
}

export function getDragged(): Dragged | null {
	return now;
}
