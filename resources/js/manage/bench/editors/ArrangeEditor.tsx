import { ColumnsControl, OptionControl } from "../../shared/OptionControl";
import type { Look } from "../../shared/schema";
import { useStart } from "../../shared/start";
import { withAt } from "../definition";
import type { EditorProps } from "./props";

/** How records are laid out: the arrangement, its columns, what else it says, and the one visitors can switch to. */
export function ArrangeEditor({ bench, look }: EditorProps) {
	const { definition, change } = bench;
	const { arrangements, limits } = useStart();
	const arrange = definition.arrange as Record<string, unknown> & typeof definition.arrange;
	const { as, columns } = arrange;
	const options = arrangements.find((one) => one.key === as)?.options ?? [];
	return (
		<div className="grid gap-3">
			<div className="flex flex-wrap gap-1.5">
				{arrangements.map((one) => (
					<button
						key={one.key}
						type="button"
						className="chip"
						aria-pressed={one.key === as}
						onClick={() => one.key !== as && change({ ...definition, arrange: { as: one.key } })}
					>
						{one.label}
					</button>
				))}
			</div>
			{columns && (
				<ColumnsControl
					columns={columns}
					most={limits.columns}
					word="arrange.columns"
					beside={(width) => rowOf(look, width)}
					onChange={(width, next) => change(withAt(definition, `arrange.columns.${width}`, next), `columns.${width}`)}
				/>
			)}
			<div className="flex flex-wrap gap-x-4 gap-y-2">
				{options.map((option) => (
					<OptionControl
						key={option.key}
						option={option}
						value={arrange[option.key]}
						word={`arrange.${option.key}`}
						onChange={(next) => change(withAt(definition, `arrange.${option.key}`, next), `arrange.${option.key}`)}
					/>
				))}
			</div>
			<Second bench={bench} />
		</div>
	);
}

/** How full the last row is at a width. */
function rowOf(look: Look, width: keyof Look["lastRow"]) {
	const row = look.lastRow[width];
	if (look.total === 0) {
		return null;
	}
	return row.cards < row.columns
		? { words: `last row ${row.cards} of ${row.columns}`, warns: true }
		: { words: "rows are full", warns: false };
}

interface Offered {
	key: string;
	name: string;
	arrange: { as: string };
}

/** A second arrangement, between which and the first visitors switch. */
function Second({ bench }: Pick<EditorProps, "bench">) {
	const { definition, change } = bench;
	const { arrangements } = useStart();
	const offer = (definition as { offer?: Record<string, unknown> & { follow?: string } }).offer;
	const offered = (offer?.arrangements as Offered[] | undefined) ?? [];
	if (offer?.follow) {
		return null;
	}
	const set = (as: string) => {
		const { arrangements: _, ...rest } = offer ?? {};
		const label = arrangements.find((one) => one.key === as)?.label ?? as;
		const next = as === "" ? rest : { ...rest, arrangements: [{ key: as, name: label, arrange: { as } }] };
		const isEmpty = Object.keys(next).every((key) => key === "key");
		const { offer: __, ...plain } = definition as typeof definition & { offer?: unknown };
		change((isEmpty ? plain : { ...plain, offer: { key: definition.key, ...next } }) as typeof definition);
	};
	const { previewContext, setPreviewContext } = bench;
	const parameter = `${(offer?.key as string | undefined) ?? definition.key}-as`;
	const choices = (previewContext.choices ?? {}) as Record<string, string>;
	const see = (isSeen: boolean) => {
		const { [parameter]: _, ...rest } = choices;
		const next = isSeen ? { ...rest, [parameter]: offered[0]?.key ?? "" } : rest;
		const { choices: __, ...plain } = previewContext;
		setPreviewContext(Object.keys(next).length > 0 ? { ...plain, choices: next } : plain);
	};
	return (
		<div className="flex flex-wrap items-center gap-x-4 gap-y-1.5 text-[0.85rem]">
			<label className="flex flex-wrap items-center gap-2">
				<span className="text-quiet">Visitors may switch to</span>
				<select
					className="select select-sm w-auto"
					value={offered[0]?.arrange.as ?? ""}
					onChange={(event) => set(event.target.value)}
				>
					<option value="">no other</option>
					{arrangements
						.filter((one) => one.key !== definition.arrange.as)
						.map((one) => (
							<option key={one.key} value={one.key}>
								{one.label}
							</option>
						))}
				</select>
			</label>
			{offered[0] && (
				<label className="flex items-center gap-2">
					<input
						type="checkbox"
						className="checkbox checkbox-sm"
						checked={parameter in choices}
						onChange={(event) => see(event.target.checked)}
					/>
					seen so here
				</label>
			)}
		</div>
	);
}
