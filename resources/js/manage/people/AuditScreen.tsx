import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { get, type Query } from "../shared/api/api";
import { moment, useStart } from "../shared/api/start";
import { Fault, Opening } from "../shared/Fault";
import { Pager } from "../shared/Pager";
import { Screen } from "../shared/Screen";
import { useSettled } from "../shared/useSettled";

type Asked = Query<"/audit"> & { q: string; page: number };

/** Who did what, when and from where: sign-ins, roles, publishing, removals. It can be read and not changed. */
export function AuditScreen() {
	const start = useStart();
	const [asked, setAsked] = useState<Asked>({ q: "", page: 1 });
	const sought = useSettled(asked);
	const found = useQuery({
		queryKey: ["audit", sought],
		queryFn: ({ signal }) => get("/audit", { params: { query: sought }, signal }),
		placeholderData: keepPreviousData,
		staleTime: 0,
	});
	return (
		<Screen
			title="Activity"
			aside={
				<Link to="/people" className="btn btn-sm h-9">
					Back to people
				</Link>
			}
		>
			<div className="flex flex-wrap gap-3">
				<input
					className="input w-64 max-w-full"
					type="search"
					aria-label="Find by person or subject"
					placeholder="Find by person or subject"
					value={asked.q}
					onChange={(event) => setAsked({ ...asked, q: event.target.value, page: 1 })}
				/>
				<select
					className="select w-auto"
					aria-label="Recent changes"
					value={asked.action ?? ""}
					onChange={(event) => setAsked({ ...asked, action: (event.target.value || null) as Asked["action"], page: 1 })}
				>
					<option value="">Everything</option>
					{found.data?.actions.map((one) => (
						<option key={one.key} value={one.key}>
							{one.words}
						</option>
					))}
				</select>
			</div>
			{found.error && <Fault error={found.error} onRetry={found.refetch} />}
			{found.data ? (
				<>
					<p className="text-quiet">
						{found.data.total.toLocaleString()} {found.data.total === 1 ? "entry" : "entries"}, kept for{" "}
						{found.data.days} days
					</p>
					<div className="overflow-x-auto bg-base-100 scroll-edge border border-base-300 rounded-box">
						<table className="table max-sm:table-fixed">
							<thead>
								<tr>
									<th scope="col" className="max-sm:px-2">
										When, from
									</th>
									<th scope="col" className="max-sm:px-2">
										Who
									</th>
									<th scope="col" className="max-sm:px-2">
										What
									</th>
								</tr>
							</thead>
							<tbody>
								{found.data.entries.map((entry) => (
									<tr key={entry.id}>
										<td className="sm:whitespace-nowrap tabular-nums max-sm:px-2">
											{moment(start, entry.at)}
											<span className="block text-xs text-quiet">{entry.origin}</span>
										</td>
										<td className="max-sm:wrap-anywhere sm:wrap-break-word max-sm:px-2">{entry.who}</td>
										<td className="max-sm:wrap-anywhere sm:wrap-break-word max-sm:px-2">
											<span className="font-semibold">{entry.action}</span>
											{entry.subject && `: ${entry.subject}`}
											{entry.details.length > 0 && (
												<span className="block text-xs text-quiet">{entry.details.join(" · ")}</span>
											)}
										</td>
									</tr>
								))}
							</tbody>
						</table>
					</div>
					<Pager page={asked.page} pages={found.data.pages} onGo={(page) => setAsked({ ...asked, page })} />
				</>
			) : (
				!found.error && <Opening queries={[found]} />
			)}
		</Screen>
	);
}
