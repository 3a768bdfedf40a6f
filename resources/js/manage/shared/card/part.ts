import type { Part, SourceRecords } from "../api/schema";
import { fieldOf } from "../api/start";

export interface Line {
	parts: Part[];
}

export function partLabel(type: SourceRecords, part: Part): string {
	const field = typeof part.field === "string" ? fieldOf(type, part.field) : undefined;
	const said = part.text;
	switch (part.part) {
		case "field":
		case "date":
			return field?.label ?? part.field ?? "Date";
		case "badge":
		case "link":
		case "button":
		case "text":
			return typeof said === "string" ? `${capital(part.part)} “${said}”` : capital(part.part);
		default:
			return capital(part.part);
	}
}

export function capital(text: string): string {
	return text.charAt(0).toUpperCase() + text.slice(1);
}
