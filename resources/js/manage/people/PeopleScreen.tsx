import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link } from "react-router";
import { get, send } from "../shared/api";
import { useDone } from "../shared/Done";
import { Fault } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { Screen } from "../shared/Screen";
import { Sheet } from "../shared/Sheet";
import { moment, useStart } from "../shared/start";
import { useSettled } from "../shared/useSettled";

type Role = "manager" | "author" | "member";

interface Person {
	id: number;
	name: string;
	email: string;
	role: Role;
	active: boolean;
	invited: boolean;
	/** whether it still opens with the published password of the demo */
	demoPassword: boolean;
	groups: number[];
	items: number;
	signedInAt: string | null;
}

interface Group {
	id: number;
	key: string;
	name: string;
	people: number;
}

const ROLES: Record<Role, string> = {
	manager: "does everything",
	author: "writes items, and changes only their own",
	member: "reads what is for members",
};

/** Who works on the site and who belongs to it; and the groups they are in. */
export function PeopleScreen() {
	const start = useStart();
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const [role, setRole] = useState("");
	const people = useQuery({
		queryKey: ["people", sought, role],
		queryFn: ({ signal }) =>
			get<{ people: Person[]; groups: Group[] }>(`/people?${new URLSearchParams({ q: sought, role })}`, signal),
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
			<div className="relative overflow-x-auto bg-base-100 border border-base-300 rounded-box" tabIndex={-1}>
				<table className="w-full min-w-[44rem]">
					<thead className="border-b border-base-300 text-[0.85rem] text-quiet">
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
									<div className="text-quiet text-[0.85rem]">{one.email}</div>
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

function Groups({ groups }: { groups: Group[] }) {
	const client = useQueryClient();
	const [name, setName] = useState("");
	const again = () => client.invalidateQueries({ queryKey: ["people"] });
	const save = useMutation({
		mutationFn: (group: { id?: number; name: string }) => send("PUT", "/groups", group),
		onSuccess: () => {
			setName("");
			void again();
		},
	});
	const remove = useMutation({ mutationFn: (id: number) => send("DELETE", `/groups/${id}`, {}), onSuccess: again });
	return (
		<section aria-labelledby="groups" className="grid gap-3">
			<h2 id="groups" className="font-serif text-2xl font-semibold">
				Groups
			</h2>
			<ul className="flex flex-wrap gap-2">
				{groups.map((one) => (
					<li key={one.id} className="chip !cursor-default">
						<input
							className="bg-transparent w-28 outline-offset-4"
							aria-label={`Name of the group ${one.name}`}
							defaultValue={one.name}
							onBlur={(event) =>
								event.target.value.trim() !== "" &&
								event.target.value !== one.name &&
								save.mutate({ id: one.id, name: event.target.value })
							}
						/>
						<span className="text-quiet">{one.people}</span>
						<button
							type="button"
							className="cursor-pointer"
							aria-label={`Remove the group ${one.name}`}
							onClick={() => remove.mutate(one.id)}
						>
							×
						</button>
					</li>
				))}
			</ul>
			<form
				className="flex gap-2"
				onSubmit={(event: FormEvent) => {
					event.preventDefault();
					save.mutate({ name });
				}}
			>
				<input
					className="input input-sm h-9 w-56"
					aria-label="Name of a new group"
					placeholder="A new group"
					value={name}
					onChange={(event) => setName(event.target.value)}
				/>
				<button type="submit" className="btn btn-sm h-9" disabled={name.trim() === ""}>
					Add
				</button>
			</form>
		</section>
	);
}

function Who({
	role,
	groups,
	all,
	onChange,
}: {
	role: Role;
	groups: number[];
	all: Group[];
	onChange: (change: { role?: Role; groups?: number[] }) => void;
}) {
	return (
		<>
			<fieldset className="grid gap-1">
				<legend className="font-semibold mb-1">Role</legend>
				{(Object.keys(ROLES) as Role[]).map((one) => (
					<label key={one} className="flex gap-2 items-baseline cursor-pointer">
						<input
							type="radio"
							name="role"
							className="radio radio-sm"
							checked={role === one}
							onChange={() => onChange({ role: one })}
						/>
						<span>
							<strong className="font-semibold">{one}</strong> <span className="text-quiet">{ROLES[one]}</span>
						</span>
					</label>
				))}
			</fieldset>
			{all.length > 0 && (
				<fieldset>
					<legend className="font-semibold mb-1">Groups</legend>
					<div className="flex flex-wrap gap-x-4 gap-y-1">
						{all.map((one) => (
							<label key={one.id} className="flex items-center gap-2 cursor-pointer">
								<input
									type="checkbox"
									className="checkbox checkbox-xs"
									checked={groups.includes(one.id)}
									onChange={() =>
										onChange({
											groups: groups.includes(one.id) ? groups.filter((id) => id !== one.id) : [...groups, one.id],
										})
									}
								/>
								{one.name}
							</label>
						))}
					</div>
				</fieldset>
			)}
		</>
	);
}

function LinkToPass({ link }: { link: string }) {
	return (
		<div className="bg-accent text-accent-content rounded-field p-4 grid gap-2">
			<p>Pass this link on; with it they choose a password. It holds for 7 days, once, and is shown only now.</p>
			<input
				readOnly
				className="input w-full font-mono text-[0.8rem]"
				aria-label="The link"
				value={link}
				onFocus={(event) => event.target.select()}
			/>
		</div>
	);
}

function Invite({ groups, onClose }: { groups: Group[]; onClose: () => void }) {
	const client = useQueryClient();
	const [given, setGiven] = useState({ name: "", email: "", role: "author" as Role, groups: [] as number[] });
	const invite = useMutation({
		mutationFn: () => send<{ link: string }>("POST", "/people", given),
		onSuccess: () => void client.invalidateQueries({ queryKey: ["people"] }),
	});
	return (
		<Sheet title="Invite someone" onClose={onClose}>
			{invite.data ? (
				<LinkToPass link={invite.data.link} />
			) : (
				<form
					className="grid gap-4"
					onSubmit={(event) => {
						event.preventDefault();
						invite.mutate();
					}}
				>
					{invite.error && <Notice>{invite.error.message}</Notice>}
					<label className="grid gap-1">
						<span className="font-semibold">Name</span>
						<input
							className="input w-full"
							required
							value={given.name}
							onChange={(event) => setGiven({ ...given, name: event.target.value })}
						/>
					</label>
					<label className="grid gap-1">
						<span className="font-semibold">E-mail address</span>
						<input
							type="email"
							className="input w-full"
							required
							value={given.email}
							onChange={(event) => setGiven({ ...given, email: event.target.value })}
						/>
					</label>
					<Who
						role={given.role}
						groups={given.groups}
						all={groups}
						onChange={(change) => setGiven({ ...given, ...change })}
					/>
					<button type="submit" className="btn btn-secondary justify-self-start" disabled={invite.isPending}>
						Invite
					</button>
				</form>
			)}
		</Sheet>
	);
}

function About({ person, groups, onClose }: { person: Person; groups: Group[]; onClose: () => void }) {
	const client = useQueryClient();
	const done = useDone();
	const [given, setGiven] = useState(person);
	const again = () => client.invalidateQueries({ queryKey: ["people"] });
	const save = useMutation({
		mutationFn: (change: Partial<Person>) => send<Person>("PUT", `/people/${person.id}`, { ...given, ...change }),
		onSuccess: (now) => {
			void again();
			done(`${now.name} is saved.`);
			onClose();
		},
	});
	const link = useMutation({ mutationFn: () => send<{ link: string }>("POST", `/people/${person.id}/link`, {}) });
	const out = useMutation({
		mutationFn: () => send("POST", `/people/${person.id}/sign-out`, {}),
		onSuccess: () => done(`${person.name} is signed out everywhere.`),
	});
	return (
		<Sheet title={person.name} onClose={onClose}>
			{save.error && <Notice>{save.error.message}</Notice>}
			<label className="grid gap-1">
				<span className="font-semibold">Name</span>
				<input
					className="input w-full"
					value={given.name}
					onChange={(event) => setGiven({ ...given, name: event.target.value })}
				/>
			</label>
			<p className="text-quiet">{person.email}</p>
			<Who
				role={given.role}
				groups={given.groups}
				all={groups}
				onChange={(change) => setGiven({ ...given, ...change })}
			/>
			<div className="flex flex-wrap gap-3">
				<button type="button" className="btn btn-secondary" disabled={save.isPending} onClick={() => save.mutate({})}>
					Save
				</button>
				<button type="button" className="btn" disabled={link.isPending} onClick={() => link.mutate()}>
					A link to a new password
				</button>
				<button type="button" className="btn" disabled={out.isPending} onClick={() => out.mutate()}>
					Sign out everywhere
				</button>
				<button
					type="button"
					className="btn btn-ghost"
					disabled={save.isPending}
					onClick={() => save.mutate({ active: !person.active })}
				>
					{person.active ? "Deactivate" : "Reactivate"}
				</button>
			</div>
			{link.data && <LinkToPass link={link.data.link} />}
			<p className="text-quiet text-[0.85rem]">
				Who is deactivated is signed out at once and cannot sign in; their items and their name on them stay.
			</p>
		</Sheet>
	);
}
