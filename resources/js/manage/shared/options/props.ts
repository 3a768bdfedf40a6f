import type { Field, Option } from "../api/schema";

/** The properties of an option's control. */
export interface OptionProps {
	option: Option;
	/** The value in the definition; `undefined` for the default. */
	value: unknown;
	/** The effective value: that of the definition, or the default. */
	now: unknown;
	/** Sets the value; `undefined` removes it from the definition. */
	onChange: (next: unknown) => void;
	/** The same, but removes a value that equals the default. */
	put: (next: unknown) => void;
	/** The fields that can be chosen. */
	fields: Field[];
	/** The place of its word in the definition. */
	word: string | undefined;
}
