import { useSubjectRecords } from "../subject";
import type { BlockControlProps } from "./props";

/**
 * The fields of the page's record and their order: choosing one puts it at the end, choosing it again removes it.
 * Internal fields are not offered.
 */
export function FieldsControl({ block, about, onChange }: BlockControlProps) {
	const chosen = block.fields ?? [];
	const records = useSubjectRecords(about);
	const known =
		records?.fields.filter((one) => records.own.includes(one.key) && (one.onCards || one.family !== "identity")) ??
		chosen.map((key) => ({ key, label: key }));
	return (
		<fieldset className="grid gap-1">
			<legend className="font-semibold mb-1">Which fields, in order</legend>
			<div className="flex flex-wrap gap-1.5">
				{known.map(({ key, label }) => {
					const at = chosen.indexOf(key);
					const next = at < 0 ? [...chosen, key] : chosen.filter((one) => one !== key);
					return (
						<button
							key={key}
							type="button"
							className="chip"
							aria-pressed={at >= 0}
							onClick={() => next.length > 0 && onChange({ ...block, fields: next })}
						>
							{at >= 0 && <span className="tabular-nums text-quiet">{at + 1}</span>} {label}
						</button>
					);
				})}
			</div>
		</fieldset>
	);
}
