import type { PageBlock, PageFile } from "../../shared/api/schema";

/** The properties of a block's controls. */
export interface BlockControlProps {
	block: PageBlock;
	/** The page's records; nothing in the frame. */
	about?: PageFile["about"];
	/** Changes with the same tag become one undo step. */
	onChange: (next: PageBlock, tag?: string) => void;
}
