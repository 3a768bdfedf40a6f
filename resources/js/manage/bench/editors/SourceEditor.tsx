import { useStart } from "../../shared/start";
import type { Definition } from "../../shared/types";
import type { Bench } from "../useBench";

/** What the module draws from. Another type has other fields, so the rules that name them go; undo brings them back. */
export function SourceEditor({ bench }: { bench: Bench }) {
	const { types } = useStart();
	const { definition, change } = bench;
	const pick = (key: string) => {
		const { format, name, page, whenNothing } = definition;
		change({ format, key: definition.key, name, source: { items: [key] }, page, whenNothing } as Definition);
	};
	return (
		<div className="grid gap-2">
			<div className="flex flex-wrap gap-1.5">
				{types.map((type) => (
					<button
						key={type.key}
						type="button"
						className="chip"
						aria-pressed={type.key === definition.source.items[0]}
						onClick={() => type.key !== definition.source.items[0] && pick(type.key)}
					>
						{type.plural}
					</button>
				))}
			</div>
			<p className="text-quiet text-[0.8rem]">
				Another type has other fields: its module starts with no conditions and a plain card. Undo brings these back.
			</p>
		</div>
	);
}
