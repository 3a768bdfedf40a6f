import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { del, put } from "../shared/api/api";
import type { PeopleGroup } from "../shared/api/schema";
import { Notice } from "../shared/Notice";

export function Groups({ groups }: { groups: PeopleGroup[] }) {
	const client = useQueryClient();
	const [name, setName] = useState("");
	const again = () => client.invalidateQueries({ queryKey: ["people"] });
	const save = useMutation({
		mutationFn: (group: { id?: number; name: string; revision?: number }) => put("/groups", { body: group }),
		onSuccess: () => {
			setName("");
			void again();
		},
		// The newer revision is loaded; the typed name stays in its field.
		onError: again,
	});
	const remove = useMutation({
		mutationFn: (id: number) => del("/groups/{id}", { params: { path: { id } } }),
		onSuccess: again,
	});
	return (
		<section aria-labelledby="groups" className="grid gap-3">
			<h2 id="groups" className="font-serif text-2xl font-semibold">
				Groups
			</h2>
			{(save.error ?? remove.error) && <Notice>{(save.error ?? remove.error)?.message}</Notice>}
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
								save.mutate({ id: one.id, name: event.target.value, revision: one.revision })
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
