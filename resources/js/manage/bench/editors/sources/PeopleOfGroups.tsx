import { useStart } from "../../../shared/api/start";
import { type SourceControlProps, toggled } from "./props";

/** The groups of the source's people. */
export function PeopleOfGroups({ source, onNarrow }: SourceControlProps) {
	const { groups } = useStart();
	return (
		<fieldset className="flex flex-wrap gap-1.5">
			<legend className="text-xs text-quiet mb-1">of these groups; of none chosen, everybody</legend>
			{groups.map((one) => (
				<button
					key={one.key}
					type="button"
					className="chip"
					aria-pressed={source.people?.groups.includes(one.key)}
					onClick={() => onNarrow({ people: { groups: toggled(source.people?.groups ?? [], one.key) } })}
				>
					{one.name}
				</button>
			))}
			{groups.length === 0 && <span className="text-quiet">There are no groups yet.</span>}
		</fieldset>
	);
}
