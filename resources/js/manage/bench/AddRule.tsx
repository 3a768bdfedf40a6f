import type { Rule } from "../shared/schema";
import { fieldOf } from "../shared/start";
import { joinOf, members, newCondition, withJoin, withWhere } from "./definition";
import { FieldPicker } from "./FieldPicker";
import { useSource } from "./source";
import type { Bench } from "./useBench";

/** Adds a condition at the end, and says how conditions join once there are two. */
export function AddRule({ bench, onAdded }: { bench: Bench; onAdded: (rule: string) => void }) {
	const { definition, change } = bench;
	const source = useSource();
	const where = definition.where ?? { all: [] };
	const join = joinOf(where);
	const add = (rule: Rule) => {
		const next = [...members(where), rule];
		change(withWhere(definition, { [join]: next }));
		onAdded(join === "all" ? `where.all[${next.length - 1}]` : "where");
	};
	const plain = source.fields.find((one) => one.origin === "type") ?? source.fields[0];

	return (
		<li className="px-1 py-2 border-b border-base-300 flex flex-wrap items-center gap-x-4 gap-y-1">
			<FieldPicker
				label="Add a condition"
				placeholder="+ keep only those whose…"
				className="w-56"
				onPick={(key) => {
					const field = fieldOf(source, key);
					if (field) {
						add(newCondition(field, source.taxonomies));
					}
				}}
			/>
			{plain && (
				<button
					type="button"
					className="plain-add"
					onClick={() => add({ any: [newCondition(plain, source.taxonomies)] })}
				>
					+ either of several
				</button>
			)}
			{members(where).length > 1 && join === "all" && (
				<button
					type="button"
					className="text-quiet underline cursor-pointer text-[0.8rem]"
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
