import type { Source } from "../../../shared/api/schema";

/** What the controls of a source get. */
export interface SourceControlProps {
	source: Source;
	/** The same records in another choice: rules that no longer fit are marked where they stand. */
	onNarrow: (next: Source) => void;
	/** Other records: the server says which rules fit them. */
	onPick: (next: Source) => void;
}

/** The list with or without one of its members. */
export const toggled = (list: string[], one: string) =>
	list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
