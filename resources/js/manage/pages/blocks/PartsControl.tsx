import { CardLines } from "../../shared/card/CardLines";
import { partLabel } from "../../shared/card/part";
import { EmptyRuleControl } from "../../shared/controls/EmptyRuleControl";
import { useSubjectRecords } from "../subject";
import type { BlockControlProps } from "./props";

/** Lines of parts of the page's record, each with its empty-value rule. */
export function PartsControl({ block, about, onChange }: BlockControlProps) {
	const records = useSubjectRecords(about);
	if (records === null) {
		return null;
	}
	return (
		<CardLines
			type={records}
			lines={block.card?.lines ?? []}
			onChange={(lines, tag) => onChange({ ...block, card: { lines } }, tag ?? undefined)}
			beside={(part, put) => (
				<EmptyRuleControl
					label={partLabel(records, part)}
					rule={part.empty ?? { do: "leaveOut" }}
					type={records}
					alone
					onChange={(empty) => {
						const { empty: _, ...rest } = part;
						put(empty.do === "leaveOut" ? rest : { ...rest, empty });
					}}
				/>
			)}
		/>
	);
}
