import type { PageBlock, PageFile } from "../../shared/api/schema";

/** What the controls of a block get. */
export interface BlockControlProps {
	block: PageBlock;
	/** What the page is about; in the frame, nothing. */
	about?: PageFile["about"];
	/** Changes with the same tag become one step of undo. */
	onChange: (next: PageBlock, tag?: string) => void;
}
