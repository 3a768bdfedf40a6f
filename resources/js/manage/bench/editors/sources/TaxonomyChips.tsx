import type { ReactNode } from "react";
import { useStart } from "../../../shared/api/start";

export function TaxonomyChips({
	chosen,
	onPick,
	children,
}: {
	chosen: string | undefined;
	onPick: (key: string) => void;
	/** Chips before those of the taxonomies. */
	children?: ReactNode;
}) {
	const { taxonomies } = useStart();
	return (
		<fieldset className="flex flex-wrap gap-1.5">
			<legend className="sr-only">Taxonomy</legend>
			{children}
			{taxonomies.map((one) => (
				<button
					key={one.key}
					type="button"
					className="chip"
					aria-pressed={one.key === chosen}
					onClick={() => onPick(one.key)}
				>
					{one.label}
				</button>
			))}
		</fieldset>
	);
}
