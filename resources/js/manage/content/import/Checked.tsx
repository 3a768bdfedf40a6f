import type { Import, ImportResult } from "../../shared/api/schema";

const BECOMES = { created: "new", changed: "changed", unchanged: "as it is", bad: "wrong" };

/** Every problem with its line and column. */
export function Problems({ result }: { result: ImportResult | null }) {
	return result && result.problems.length > 0 ? (
		<div
			role="alert"
			className="bg-warning text-warning-content rounded-box px-4 py-3 max-h-80 overflow-y-auto"
			tabIndex={-1}
		>
			<ul className="grid gap-1">
				{result.problems.map((one) => (
					<li key={one.path + one.message}>
						{one.path && <strong>{one.path}: </strong>}
						{one.message}
					</li>
				))}
			</ul>
			{(result.problemCount ?? 0) > result.problems.length && (
				<p className="mt-2">and {((result.problemCount ?? 0) - result.problems.length).toLocaleString()} more.</p>
			)}
		</div>
	) : null;
}

/** The first rows after the import. */
export function Preview({ row, result }: { row: Import; result: ImportResult }) {
	const matched = Object.values(row.options.columns);
	const used = row.columns.filter((column) => matched.includes(column.key));
	return (
		<div className="relative overflow-x-auto bg-base-100 scroll-edge border border-base-300 rounded-box" tabIndex={-1}>
			<table className="w-full text-sm">
				<caption className="text-left px-4 py-2 text-quiet">The first rows as they will be</caption>
				<thead className="text-quiet border-b border-base-300">
					<tr>
						<th scope="col" className="px-3 py-1.5 text-left">
							Row
						</th>
						{used.map((column) => (
							<th key={column.key} scope="col" className="px-3 py-1.5 text-left whitespace-nowrap">
								{column.label}
							</th>
						))}
					</tr>
				</thead>
				<tbody className="divide-y divide-base-300">
					{result.preview?.map((one) => (
						<tr key={one.place} className={one.becomes === "bad" ? "bg-[#fbece3]" : ""}>
							<td className="px-3 py-1.5 whitespace-nowrap">
								{one.place}{" "}
								<span className={one.becomes === "bad" ? "text-error font-medium" : "text-quiet"}>
									{BECOMES[one.becomes]}
								</span>
							</td>
							{used.map((column) => (
								<td key={column.key} className="px-3 py-1.5 max-w-56 truncate">
									{one.cells[column.key] ?? ""}
								</td>
							))}
						</tr>
					))}
				</tbody>
			</table>
		</div>
	);
}
