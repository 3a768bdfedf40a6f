import { useStart } from "../../shared/api/start";
import type { BlockControlProps } from "./props";

/** The content types that authors can start an item of; at least one. */
export function TypesControl({ block, onChange }: BlockControlProps) {
	const { types } = useStart();
	const chosen = block.types ?? [];
	return (
		<fieldset className="grid gap-1">
			<legend className="font-semibold mb-1">Links to write a new…</legend>
			<div className="flex flex-wrap gap-1.5">
				{types.map((one) => {
					const isOn = chosen.includes(one.key);
					const next = isOn ? chosen.filter((key) => key !== one.key) : [...chosen, one.key];
					return (
						<button
							key={one.key}
							type="button"
							className="chip"
							aria-pressed={isOn}
							onClick={() => next.length > 0 && onChange({ ...block, types: next })}
						>
							{one.label}
						</button>
					);
				})}
			</div>
			<p className="text-quiet text-sm">
				Only authors and managers who have signed in see this block. It takes no room for others.
			</p>
		</fieldset>
	);
}
