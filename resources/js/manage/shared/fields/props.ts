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
	/** Whether it stands in a line of values: its label before it, its width that of what it takes. */
	inline?: boolean;
}
