import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { get } from "../shared/api/api";
import type { Person } from "../shared/api/schema";
import { moment, useStart } from "../shared/api/start";
import { Fault } from "../shared/Fault";
import { Screen } from "../shared/Screen";
import { useSettled } from "../shared/useSettled";
import { About } from "./AboutPerson";
import { Groups } from "./Groups";
import { Invite } from "./Invite";
import { ROLES } from "./people";

/** The people of the site and their groups. */
export function PeopleScreen() {
	const start = useStart();
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const [role, setRole] = useState("");
	const people = useQuery({
		queryKey: ["people", sought, role],
		queryFn: ({ signal }) => get("/people", { params: { query: { q: sought, role } }, signal }),
		placeholderData: (old) => old,
	});
	const [open, setOpen] = useState<Person | null>(null);
	const [inviting, setInviting] = useState(false);
	const groups = people.data?.groups ?? [];
	return (
		<Screen
			title="People"
			about="Managers, authors and members, and the groups they are in."
			aside={
				<div className="flex gap-2">
					<Link to="/people/audit" className="btn btn-sm h-9">
						Activity
					</Link>
					<button type="button" className="btn btn-primary btn-sm h-9" onClick={() => setInviting(true)}>
						Invite someone
					</button>
				</div>
			}
		>
			<div className="flex flex-wrap gap-2">
				<input
					type="search"
					className="input input-sm h-9 w-60"
					aria-label="Find by name or address"
					placeholder="Find by name or address"
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
				<select
					className="select select-sm h-9 w-auto"
					aria-label="Role"
					value={role}
					onChange={(event) => setRole(event.target.value)}
				>
					<option value="">any role</option>
					{Object.keys(ROLES).map((one) => (
						<option key={one} value={one}>
							{one}s
						</option>
					))}
				</select>
			</div>
			{people.error && <Fault error={people.error} onRetry={people.refetch} />}
			<div
				className="relative overflow-x-auto bg-base-100 scroll-edge border border-base-300 rounded-box"
				tabIndex={-1}
			>
				<table className="w-full min-w-[44rem]">
					<thead className="border-b border-base-300 text-sm text-quiet">
						<tr>
							{["Name", "Role", "Groups", "Items", "Last signed in"].map((one) => (
								<th key={one} scope="col" className={`px-4 py-2 ${one === "Items" ? "text-right" : "text-left"}`}>
									{one}
								</th>
							))}
						</tr>
					</thead>
					<tbody className="divide-y divide-base-300">
						{people.data?.people.map((one) => (
							<tr key={one.id} className={`hover:bg-base-200 ${one.active ? "" : "text-quiet"}`}>
								<td className="px-4 py-2">
									<button
										type="button"
										className="font-semibold hover:underline cursor-pointer"
										onClick={() => setOpen(one)}
									>
										{one.name}
									</button>
									<div className="text-quiet text-sm">{one.email}</div>
								</td>
								<td className="px-4 py-2">
									{one.role}
									{!one.active && <span className="text-secondary"> · deactivated</span>}
									{one.active && one.invited && <span className="text-secondary"> · invited</span>}
									{one.active && one.demoPassword && <span className="text-secondary"> · the demo’s password</span>}
								</td>
								<td className="px-4 py-2">
									{one.groups.map((id) => groups.find((group) => group.id === id)?.name).join(", ") || (
										<span className="text-quiet">–</span>
									)}
								</td>
								<td className="px-4 py-2 text-right">{one.items}</td>
								<td className="px-4 py-2 text-quiet">{one.signedInAt ? moment(start, one.signedInAt) : "never"}</td>
							</tr>
						))}
					</tbody>
				</table>
				{people.data?.people.length === 0 && <p className="px-5 py-6 text-quiet">Nobody found.</p>}
			</div>
			<Groups groups={groups} />
			{open && <About person={open} groups={groups} onClose={() => setOpen(null)} />}
			{inviting && <Invite groups={groups} onClose={() => setInviting(false)} />}
		</Screen>
	);
}
