import type { Part, SourceRecords } from "../api/schema";
import { AddByChoice } from "../controls/inputs";

export function AddPart({ type, label, onAdd }: { type: SourceRecords; label: string; onAdd: (part: Part) => void }) {
	return (
		<AddByChoice
			label={label}
			options={type.parts.map((one) => ({ key: offerKey(one.part), label: one.label }))}
			onPick={(key) => {
				const found = type.parts.find((one) => offerKey(one.part) === key);
				if (found) {
					onAdd(found.part);
				}
			}}
		/>
	);
}

/** The identity of an offered part: `field:height`. */

function offerKey(part: Part): string {
	const of = part.field ?? part.taxonomy ?? (part.part === "badge" ? part.text : undefined);
	return of === undefined ? part.part : `${part.part}:${of}`;
}
