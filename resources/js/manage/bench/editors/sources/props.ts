import type { Source } from "../../../shared/api/schema";

/** The properties of a source's controls. */
export interface SourceControlProps {
	source: Source;
	/** The same kind of records: rules that no longer fit are marked. */
	onNarrow: (next: Source) => void;
	/** Another kind of records: the server decides which rules fit. */
	onPick: (next: Source) => void;
}

/** The list with or without one of its members. */
export const toggled = (list: string[], one: string) =>
	list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
