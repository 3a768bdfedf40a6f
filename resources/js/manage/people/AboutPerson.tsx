import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { post, put } from "../shared/api/api";
import { savedByOther } from "../shared/api/faults";
import type { PeopleGroup, Person } from "../shared/api/schema";
import { useDone } from "../shared/Done";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import { LinkToPass, Who } from "./Invite";

function saidOf(person: Person, groups: PeopleGroup[]): string {
	const names = groups.filter((one) => person.groups.includes(one.id)).map((one) => one.name);
	return [person.name, person.role, ...names, ...(person.active ? [] : ["deactivated"])].join(", ");
}

export function About({ person, groups, onClose }: { person: Person; groups: PeopleGroup[]; onClose: () => void }) {
	const client = useQueryClient();
	const done = useDone();
	const [given, setGiven] = useState(person);
	const again = () => client.invalidateQueries({ queryKey: ["people"] });
	const save = useMutation({
		mutationFn: (change: Partial<Person>) =>
			put("/people/{id}", { params: { path: { id: person.id } }, body: { ...given, ...change } }),
		onSuccess: (now) => {
			void again();
			done(`${now.name} is saved.`);
			onClose();
		},
		onError: (error) => {
			const now = savedByOther<Person>(error, "person");
			if (now) {
				setGiven({ ...given, revision: now.revision });
				void again();
			}
		},
	});
	const other = savedByOther<Person>(save.error, "person");
	const link = useMutation({
		mutationFn: () => post("/people/{id}/link", { params: { path: { id: person.id } } }),
	});
	const out = useMutation({
		mutationFn: () => post("/people/{id}/sign-out", { params: { path: { id: person.id } } }),
		onSuccess: () => done(`${person.name} is signed out everywhere.`),
	});
	return (
		<Sheet title={person.name} onClose={onClose}>
			{other ? (
				<Notice>
					Someone else saved this person in the meantime: {saidOf(other, groups)}. Save again to replace that, or{" "}
					<button
						type="button"
						className="underline font-semibold cursor-pointer"
						onClick={() => {
							setGiven(other);
							save.reset();
						}}
					>
						show what they saved
					</button>
					.
				</Notice>
			) : (
				save.error && <Notice>{save.error.message}</Notice>
			)}
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
			{link.data && <LinkToPass {...link.data} />}
			<p className="text-quiet text-sm">
				Who is deactivated is signed out at once and cannot sign in; their items and their name on them stay.
			</p>
		</Sheet>
	);
}
