import type { Field, Linked, Media } from "../schema";

export interface ControlProps {
	field: Field;
	value: unknown;
	problem?: string | undefined;
	onChange: (value: unknown) => void;
	hint?: string;
	files?: Record<string, Media>;
	linked?: Linked[];
	onFiles?: (files: Media[]) => void;
}
