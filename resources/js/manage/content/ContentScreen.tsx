import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, Navigate, useParams } from "react-router";
import { get } from "../shared/api/api";
import type { ContentType, TablePresets } from "../shared/api/schema";
import { useStart } from "../shared/api/start";
import { Fault, Opening } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { Pager } from "../shared/Pager";
import { Screen } from "../shared/Screen";
import { ExportMenu } from "./ExportMenu";
import { ChangesSheet } from "./table/ChangesSheet";
import { Columns } from "./table/Columns";
import { Filters } from "./table/Filters";
import { ItemTable } from "./table/ItemTable";
import { ManyBar } from "./table/ManyBar";
import { Selections } from "./table/Selections";
import { restored } from "./table/tableState";
import { useItemTable } from "./table/useItemTable";

/** The items of one type as a table with each person's own settings. */
export function ContentScreen() {
	const start = useStart();
	const { type: key = "" } = useParams();
	const type = start.types.find((one) => one.key === key);
	const presets = useQuery({
		queryKey: ["presets", key],
		queryFn: ({ signal }) => get("/presets/{key}", { params: { path: { key } }, signal }),
		enabled: type !== undefined,
		staleTime: Number.POSITIVE_INFINITY,
	});
	if (!type) {
		const first = start.types[0];
		return first ? (
			<Navigate to={`/content/${first.key}`} replace />
		) : (
			<div className="p-6">
				<Notice tone="calm">
					There are no content types yet.{" "}
					<Link to="/types" className="link">
						Create a type, or add a ready-made set
					</Link>
					. Then you can import a table.
				</Notice>
			</div>
		);
	}
	return presets.data ? <Items key={type.key} type={type} presets={presets.data} /> : <Opening queries={[presets]} />;
}

function Items({ type, presets }: { type: ContentType; presets: TablePresets }) {
	const start = useStart();
	const [changes, setChanges] = useState(false);
	const table = useItemTable(type, presets);
	const { state, where, page, goTo, items, rows, total, ticked, allThatFit, setAllThatFit, every, change, untick } =
		table;
	return (
		<Screen
			title={type.plural}
			wide
			aside={
				<div className="flex flex-wrap gap-2">
					<button type="button" className="btn btn-sm h-9" onClick={() => setChanges(true)}>
						Changes
					</button>
					{start.user.role === "manager" && (
						<>
							<Link to={`/content/${type.key}/by-hand`} className="btn btn-sm h-9">
								Order by hand
							</Link>
							<Link to={`/content/${type.key}/import`} className="btn btn-sm h-9">
								Import
							</Link>
							<ExportMenu type={type} />
						</>
					)}
					<Link to={`/content/${type.key}/new`} className="btn btn-primary btn-sm h-9">
						New {type.label.toLowerCase()}
					</Link>
				</div>
			}
		>
			<nav aria-label="Types" className="flex flex-wrap gap-x-5 gap-y-1 -mt-2">
				{start.types.map((one) => (
					<Link
						key={one.key}
						to={`/content/${one.key}`}
						aria-current={one.key === type.key ? "page" : undefined}
						className={`border-b-2 py-0.5 ${
							one.key === type.key
								? "font-semibold border-secondary"
								: "border-transparent text-quiet hover:text-base-content"
						}`}
					>
						{one.plural}
					</Link>
				))}
			</nav>
			<div className="flex flex-wrap items-center gap-2">
				<input
					type="search"
					className="input input-sm h-9 w-56"
					placeholder="Find by title"
					aria-label={`Find ${type.plural.toLowerCase()} by title`}
					value={state.q}
					onChange={(event) => change({ q: event.target.value })}
				/>
				<select
					className="select select-sm h-9 w-auto"
					aria-label="State"
					value={state.status}
					onChange={(event) => change({ status: event.target.value })}
				>
					<option value="">any state</option>
					<option value="published">published</option>
					<option value="draft">draft</option>
				</select>
				<Filters type={type} filters={state.filters} onChange={(filters) => change({ filters })} />
				<span className="grow" />
				<Selections type={type} presets={presets} state={state} onPick={(picked) => change(restored(type, picked))} />
				<Columns type={type} columns={state.columns} onChange={(next) => change({ columns: next }, false)} />
			</div>
			{items.error && <Fault error={items.error} onRetry={items.refetch} />}
			{ticked.size > 0 && (
				<ManyBar
					type={type}
					count={allThatFit ? total : ticked.size}
					chosen={allThatFit ? { query: { q: state.q, status: state.status, where } } : { ids: [...ticked] }}
					onDone={untick}
				/>
			)}
			{every && !allThatFit && total > rows.length && (
				<p>
					All on this page are ticked.{" "}
					<button type="button" className="plain-add" onClick={() => setAllThatFit(true)}>
						Tick all {total.toLocaleString()} that fit
					</button>
				</p>
			)}
			<ItemTable type={type} table={table} />
			{items.data && (
				<div className="flex flex-wrap items-center gap-4">
					<span className="text-quiet">
						{total.toLocaleString()} {total === 1 ? type.label.toLowerCase() : type.plural.toLowerCase()}
					</span>
					<Pager page={page} pages={items.data.pages} onGo={goTo} />
				</div>
			)}
			{changes && <ChangesSheet onClose={() => setChanges(false)} />}
		</Screen>
	);
}
