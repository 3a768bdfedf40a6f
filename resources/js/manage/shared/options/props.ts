import type { Field, Option } from "../api/schema";

/** What the control of a kind of option gets. */
export interface OptionProps {
	option: Option;
	/** What the definition says; `undefined` for the default. */
	value: unknown;
	/** What holds: what the definition says, or the default. */
	now: unknown;
	/** Says a value; told `undefined`, the definition says nothing. */
	onChange: (next: unknown) => void;
	/** The same, but a value that is the default is not said. */
	put: (next: unknown) => void;
	/** Those that a field can be chosen from. */
	fields: Field[];
	/** The place in the definition of the word that it stands for. */
	word: string | undefined;
}
