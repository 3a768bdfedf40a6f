import { Link } from "react-router";
import type { ContentType } from "../../shared/api/schema";
import { Cell } from "./Cell";
import { Heading } from "./Heading";
import type { ItemTableState } from "./useItemTable";

/** A page of items, one per line; cells open in place. */
export function ItemTable({ type, table }: { type: ContentType; table: ItemTableState }) {
	const { state, shown, items, rows, ticked, allThatFit, every, change, sortBy, save, tick } = table;
	const isNarrowed = state.q !== "" || state.status !== "" || state.filters.length > 0;
	return (
		<div className="bg-base-100 border border-base-300 rounded-box relative overflow-x-auto scroll-edge" tabIndex={-1}>
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
				<thead className="border-b border-base-300 text-sm text-quiet">
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
									className={`px-3 py-1.5 overflow-hidden text-ellipsis
										${column.field?.family === "number" ? "text-right" : ""}`}
								>
									<Cell item={item} column={column} onSave={(value) => save(item, column.key, value)} />
								</td>
							))}
						</tr>
					))}
				</tbody>
			</table>
			{items.data?.total === 0 && (
				<p className="px-5 py-6 text-quiet">
					{isNarrowed ? (
						`No ${type.plural.toLowerCase()} found.`
					) : (
						<>
							No {type.plural.toLowerCase()} yet.{" "}
							<Link to={`/content/${type.key}/import`} className="link">
								Import a table
							</Link>
							, or{" "}
							<Link to={`/content/${type.key}/new`} className="link">
								write the first one
							</Link>
							.
						</>
					)}
				</p>
			)}
		</div>
	);
}
