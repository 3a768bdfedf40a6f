import type { Rule } from "../../shared/api/schema";
import { joinOf, members, withJoin, withWhere } from "../definition";
import { NewCondition } from "../editors/conditions/NewCondition";
import type { Bench } from "../useBench";

/** Adds a condition at the end; with two or more it also shows how they are joined. */
export function AddRule({ bench, onAdded }: { bench: Bench; onAdded: (rule: string) => void }) {
	const { definition, change } = bench;
	const where = definition.where ?? { all: [] };
	const join = joinOf(where);
	const add = (rule: Rule) => {
		const next = [...members(where), rule];
		change(withWhere(definition, { [join]: next }));
		onAdded(join === "all" ? `where.all[${next.length - 1}]` : "where");
	};
	return (
		<li className="px-1 py-2 border-b border-base-300 flex flex-wrap items-center gap-x-4 gap-y-1">
			<NewCondition
				bench={bench}
				before={`where.all[${members(where).length}]`}
				placeholder="+ keep only those whose…"
				onAdd={add}
			/>
			<button type="button" className="plain-add" onClick={() => add({ any: [] })}>
				+ either of several
			</button>
			{members(where).length > 1 && join === "all" && (
				<button
					type="button"
					className="text-quiet underline cursor-pointer text-xs"
					onClick={() => {
						change(withWhere(definition, withJoin(where, "any")));
						onAdded("where");
					}}
				>
					let any one of these be enough
				</button>
			)}
		</li>
	);
}
