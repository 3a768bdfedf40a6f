import type { PageFile } from "../shared/schema";
import { useStart } from "../shared/start";

/** Which fields of the page's item, in which order: a chosen one goes to the end, another click takes it out. */
export function FieldsControl({
	about,
	chosen,
	onChange,
}: {
	about: PageFile["about"];
	chosen: string[];
	onChange: (fields: string[]) => void;
}) {
	const { types } = useStart();
	const type = types.find((one) => one.key === about?.item);
	const known = type?.fields ?? chosen.map((key) => ({ key, label: key }));
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
							onClick={() => next.length > 0 && onChange(next)}
						>
							{at >= 0 && <span className="tabular-nums text-quiet">{at + 1}</span>} {label}
						</button>
					);
				})}
			</div>
		</fieldset>
	);
}
