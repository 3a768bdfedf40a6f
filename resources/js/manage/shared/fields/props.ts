import type { Field, Linked, Media } from "../api/schema";

export interface ControlProps {
	field: Field;
	value: unknown;
	problem?: string | undefined;
	onChange: (value: unknown) => void;
	hint?: string;
	files?: Record<string, Media>;
	linked?: Linked[];
	onFiles?: (files: Media[]) => void;
	onLinked?: (items: Linked[]) => void;
	/** True inside a line of values: the label is before the control, and the width fits the value. */
	inline?: boolean;
}
