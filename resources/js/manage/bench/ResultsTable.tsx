import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { post } from "../shared/api/api";
import { fieldOf } from "../shared/api/start";
import { Fault } from "../shared/Fault";
import { Pager } from "../shared/Pager";
import { useSource } from "./source";
import { FieldPicker } from "./stream/FieldPicker";
import type { Asked } from "./TraceBar";
import type { Bench } from "./useBench";

/** The records as a table: the position of each, any fields, and buttons to edit or trace one. */
export function ResultsTable({
	bench,
	onAsk,
	onOpen,
}: {
	bench: Bench;
	onAsk: (wanted: Asked) => void;
	onOpen: (type: string, id: number) => void;
}) {
	const source = useSource();
	const named = [
		...(bench.definition.where
			? [...JSON.stringify(bench.definition.where).matchAll(/"field":"([a-z0-9_]+)"/g)].map((found) => found[1] ?? "")
			: []),
		...bench.definition.order.map((key) => key.by),
	];
	const [chosen, setChosen] = useState<string[] | null>(null);
	const fields = (chosen ?? [...new Set(named)]).filter(
		(key) => source.own.includes(key) && !["id", "words", "title"].includes(key),
	);
	const [page, setPage] = useState(1);
	const results = useQuery({
		queryKey: ["results", bench.definition, bench.previewContext, fields, page],
		queryFn: ({ signal }) =>
			post("/bench/results", {
				body: { ...bench.previewContext, definition: bench.definition, fields, page: String(page) },
				signal,
			}),
		placeholderData: keepPreviousData,
	});
	const data = results.data;
	return (
		<div className="flex-1 min-h-0 flex flex-col bg-base-100">
			<div className="flex flex-wrap items-center gap-2 px-4 py-2 border-b border-base-300">
				{fields.map((key) => (
					<span key={key} className="chip cursor-default">
						{fieldOf(source, key)?.label ?? key}
						<button
							type="button"
							className="ml-1 cursor-pointer"
							aria-label={`Hide the column ${fieldOf(source, key)?.label ?? key}`}
							onClick={() => setChosen(fields.filter((one) => one !== key))}
						>
							×
						</button>
					</span>
				))}
				<FieldPicker
					label="Add a column"
					placeholder="+ a column"
					onPick={(key) => !key.includes(".") && setChosen([...fields.filter((one) => one !== key), key])}
				/>
			</div>
			{results.error && <Fault error={results.error} onRetry={results.refetch} />}
			<div className="flex-1 min-h-0 overflow-auto relative scroll-edge">
				<table className="w-full text-sm">
					<thead className="sticky top-0 bg-base-200 text-left">
						<tr>
							<th className="px-4 py-1.5 font-semibold w-16">Place</th>
							<th className="px-2 py-1.5 font-semibold">Title</th>
							{fields.map((key) => (
								<th key={key} className="px-2 py-1.5 font-semibold">
									{fieldOf(source, key)?.label ?? key}
								</th>
							))}
							<th className="px-2 py-1.5 font-semibold">
								<span className="sr-only">Ask</span>
							</th>
						</tr>
					</thead>
					<tbody>
						{data?.rows.map((row) => (
							<tr key={row.key} className="border-b border-base-300">
								<td className="px-4 py-1.5 whitespace-nowrap">
									{row.place} <span className="text-quiet">p. {row.page}</span>
								</td>
								<td className="px-2 py-1.5 font-semibold">
									{source.isItems ? (
										<button
											type="button"
											className="hover:underline cursor-pointer text-left font-semibold"
											onClick={() => onOpen(row.type, row.id)}
										>
											{row.title}
										</button>
									) : (
										row.title
									)}
									{row.pinned && <span className="ml-2 text-xs text-secondary">pinned</span>}
								</td>
								{row.values.map((value, i) => (
									// biome-ignore lint/suspicious/noArrayIndexKey: a cell is known by its column
									<td key={i} className="px-2 py-1.5">
										{value}
									</td>
								))}
								<td className="px-2 py-1.5 text-right">
									<button
										type="button"
										className="plain-add whitespace-nowrap"
										onClick={() => onAsk({ item: source.isItems ? row.id : null, slug: row.slug, title: row.title })}
										aria-label={`Why is ${row.title} here?`}
									>
										Why here?
									</button>
								</td>
							</tr>
						))}
					</tbody>
				</table>
				{data && data.rows.length === 0 && <p className="p-4 text-quiet">Nothing is left after these rules.</p>}
			</div>
			{data && data.pages > 1 && (
				<div className="px-4 py-2 border-t border-base-300">
					<Pager page={data.page} pages={data.pages} onGo={setPage} />
				</div>
			)}
		</div>
	);
}
