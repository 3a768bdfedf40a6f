import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { Link, Navigate, useParams, useSearchParams } from "react-router";
import { get, send } from "../shared/api";
import { useDone } from "../shared/Done";
import { Fault, Opening } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { Pager } from "../shared/Pager";
import { Screen } from "../shared/Screen";
import type { ContentType, Item, ItemPage, TablePresets } from "../shared/schema";
import { useStart } from "../shared/start";
import { useSettled } from "../shared/useSettled";
import { Cell } from "./Cell";
import { ChangesSheet } from "./ChangesSheet";
import { Columns } from "./Columns";
import { ExportMenu } from "./ExportMenu";
import { Filters } from "./Filters";
import { Heading } from "./Heading";
import { ManyBar } from "./ManyBar";
import { Selections } from "./Selections";
import { type Column, columnsOf, restored, type TableState } from "./tableState";

/** The items of one type as a table that each person keeps as they like it. */
export function ContentScreen() {
	const start = useStart();
	const { type: key } = useParams();
	const type = start.types.find((one) => one.key === key);
	const presets = useQuery({
		queryKey: ["presets", key],
		queryFn: ({ signal }) => get<TablePresets>(`/presets/${key}`, signal),
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
					There are no content types yet. <Link to="/types">Make one, or bring in a ready-made set.</Link>
				</Notice>
			</div>
		);
	}
	return presets.data ? <Table key={type.key} type={type} presets={presets.data} /> : <Opening queries={[presets]} />;
}

function Table({ type, presets }: { type: ContentType; presets: TablePresets }) {
	const start = useStart();
	const client = useQueryClient();
	const done = useDone();
	const [asked, setAsked] = useSearchParams();
	const [state, setState] = useState(() => ({
		...restored(type, presets.state),
		...(asked.get("q") ? { q: asked.get("q") ?? "" } : {}),
	}));
	const [ticked, setTicked] = useState<Set<number>>(new Set());
	const [allThatFit, setAllThatFit] = useState(false);
	const [changes, setChanges] = useState(false);
	const page = Number(asked.get("page") ?? 1);
	const goTo = (next: number) => setAsked(next > 1 ? { page: String(next) } : {}, { replace: true });

	const columns = useMemo(() => columnsOf(type), [type]);
	const shown = state.columns
		.map((one) => columns.find((column) => column.key === one.key))
		.filter((one): one is Column => one !== undefined);
	const where = state.filters.length > 0 ? { all: state.filters } : null;
	const query = {
		type: type.key,
		q: state.q,
		status: state.status,
		...(where ? { where: JSON.stringify(where) } : {}),
	};
	const params = useSettled(
		new URLSearchParams({ ...query, sort: state.sort, direction: state.direction, page: String(page) }).toString(),
		150,
	);
	const items = useQuery({
		queryKey: ["items", params],
		queryFn: ({ signal }) => get<ItemPage>(`/items?${params}`, signal),
		placeholderData: keepPreviousData,
	});

	const kept = useRef(JSON.stringify(presets.state));
	useEffect(() => {
		const { q: _, ...keeps } = state;
		const now = JSON.stringify(keeps);
		if (now === kept.current) {
			return;
		}
		const timer = setTimeout(() => {
			kept.current = now;
			send<TablePresets>("PUT", `/presets/${type.key}`, { name: "", state: keeps }).then(
				(answer) => client.setQueryData(["presets", type.key], answer),
				// How a table stood is not worth a message; the next change tries anew.
				() => {
					kept.current = "";
				},
			);
		}, 500);
		return () => clearTimeout(timer);
	}, [state, type.key, client]);

	const change = (next: Partial<TableState>, narrows = true) => {
		setState((now) => ({ ...now, ...next }));
		if (narrows) {
			setTicked(new Set());
			setAllThatFit(false);
			goTo(1);
		}
	};
	const sortBy = (key: string) =>
		change({
			sort: key,
			direction:
				state.sort === key ? (state.direction === "asc" ? "desc" : "asc") : key.endsWith("_at") ? "desc" : "asc",
		});
	const save = (item: Item, key: string, value: unknown) =>
		send<Item>("PUT", `/items/${item.id}`, { values: { [key]: value }, revision: item.revision }).then((now) => {
			client.setQueryData<ItemPage>(
				["items", params],
				(old) => old && { ...old, items: old.items.map((one) => (one.id === now.id ? { ...now } : one)) },
			);
			done(`“${now.title}” is saved.`);
		});

	const rows = items.data?.items ?? [];
	const total = items.data?.total ?? 0;
	const every = rows.length > 0 && rows.every((one) => ticked.has(one.id));
	const tick = (ids: number[], on: boolean) => {
		setAllThatFit(false);
		setTicked((now) => {
			const next = new Set(now);
			for (const id of ids) {
				on ? next.add(id) : next.delete(id);
			}
			return next;
		});
	};

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
						className={`border-b-2 py-0.5 ${one.key === type.key ? "font-semibold border-secondary" : "border-transparent text-quiet hover:text-base-content"}`}
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
					onDone={() => {
						setTicked(new Set());
						setAllThatFit(false);
					}}
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
			<div className="bg-base-100 border border-base-300 rounded-box relative overflow-x-auto" tabIndex={-1}>
				<table
					className="w-full table-fixed"
					style={{ minWidth: `${300 + state.columns.reduce((sum, one) => sum + one.width, 0)}px` }}
				>
					<colgroup>
						<col style={{ width: "44px" }} />
						<col />
						{state.columns.map((one) => (
							<col key={one.key} style={{ width: `${one.width}px` }} />
						))}
					</colgroup>
					<thead className="border-b border-base-300 text-[0.85rem] text-quiet">
						<tr>
							<th scope="col" className="pl-4 py-2 text-left">
								<input
									type="checkbox"
									className="checkbox checkbox-xs"
									aria-label="Select all on this page"
									checked={every}
									onChange={() =>
										tick(
											rows.map((one) => one.id),
											!every,
										)
									}
								/>
							</th>
							<Heading
								column={{ key: "title", label: "Title", field: null, sorts: true }}
								state={state}
								onSort={sortBy}
							/>
							{shown.map((column) => (
								<Heading
									key={column.key}
									column={column}
									state={state}
									onSort={sortBy}
									onResize={(width) =>
										change(
											{ columns: state.columns.map((one) => (one.key === column.key ? { ...one, width } : one)) },
											false,
										)
									}
								/>
							))}
						</tr>
					</thead>
					<tbody className="divide-y divide-base-300">
						{rows.map((item) => (
							<tr key={item.id} className={ticked.has(item.id) ? "bg-accent/40" : "hover:bg-base-200"}>
								<td className="pl-4 py-1.5">
									<input
										type="checkbox"
										className="checkbox checkbox-xs"
										aria-label={`Tick ${item.title}`}
										checked={allThatFit || ticked.has(item.id)}
										onChange={() => tick([item.id], !ticked.has(item.id))}
									/>
								</td>
								<td className="px-3 py-1.5 min-w-0">
									<Link to={`/content/${type.key}/${item.id}`} className="font-semibold hover:underline">
										{item.title}
									</Link>
								</td>
								{shown.map((column) => (
									<td
										key={column.key}
										data-cell={column.key}
										className={`px-3 py-1.5 overflow-hidden text-ellipsis ${column.field?.family === "number" ? "text-right" : ""}`}
									>
										<Cell item={item} column={column} onSave={(value) => save(item, column.key, value)} />
									</td>
								))}
							</tr>
						))}
					</tbody>
				</table>
				{items.data?.total === 0 && <p className="px-5 py-6 text-quiet">Nothing fits.</p>}
			</div>
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
