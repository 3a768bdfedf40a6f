import type { BenchPreview, Definition, Option, PlugIn } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { ColumnsControl } from "../../shared/options/ColumnsControl";
import { OptionControl } from "../../shared/options/OptionControl";
import { withAt } from "../definition";
import { useSetOffer } from "../useOffering";
import type { EditorProps } from "./props";

/** The layout of records: the arrangement, its columns and options, and a second arrangement for visitors. */
export function ArrangeEditor({ bench, preview }: EditorProps) {
	const { definition, change } = bench;
	const { arrangements, limits } = useStart();
	const arrange = definition.arrange as Record<string, unknown> & typeof definition.arrange;
	const { as } = arrange;
	const options = arrangements.find((one) => one.key === as)?.options ?? [];
	const columns = arrange.columns ?? columnsOf(options);
	return (
		<div className="grid gap-3">
			<div className="flex flex-wrap gap-1.5">
				{arrangements.map((one) => (
					<button
						key={one.key}
						type="button"
						className="chip"
						aria-pressed={one.key === as}
						onClick={() => one.key !== as && change({ ...definition, arrange: begun(one) })}
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
					beside={(width) => rowOf(preview, width)}
					onChange={(width, next) =>
						change(withAt(definition, "arrange.columns", { ...columns, [width]: next }), `columns.${width}`)
					}
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

type Columns = NonNullable<Definition["arrange"]["columns"]>;

function columnsOf(options: Option[]): Columns | undefined {
	return options.find((one) => one.kind === "columns")?.default as Columns | undefined;
}

/** A new arrangement with its default columns. */
function begun({ key, options }: PlugIn): Definition["arrange"] {
	const columns = columnsOf(options);
	return { as: key, ...(columns ? { columns } : {}) };
}

/** The number of records in the last row at a width. */
function rowOf(preview: BenchPreview, width: keyof BenchPreview["lastRow"]) {
	const row = preview.lastRow[width];
	if (preview.total === 0) {
		return null;
	}
	return row.cards < row.columns
		? { words: `last row ${row.cards} of ${row.columns}`, warns: true }
		: { words: "rows are full", warns: false };
}

/** A second arrangement that visitors can switch to. */
function Second({ bench }: Pick<EditorProps, "bench">) {
	const { definition } = bench;
	const { arrangements } = useStart();
	const offer = definition.offer ?? {};
	const set = useSetOffer(bench);
	if (offer.follow !== undefined) {
		return null;
	}
	return (
		<label className="flex flex-wrap items-center gap-2 text-sm">
			<span className="text-quiet">Visitors may switch to</span>
			<select
				className="select select-sm w-auto"
				value={offer.arrangements?.[0]?.arrange.as ?? ""}
				onChange={({ target }) => {
					const next = arrangements.filter((one) => one.key === target.value);
					set({ ...offer, arrangements: next.map(({ key, label }) => ({ key, name: label, arrange: { as: key } })) });
				}}
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
	);
}
