import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { post } from "../shared/api/api";
import type { PeopleGroup } from "../shared/api/schema";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import { ROLES, type Role } from "./people";

export function Who({
	role,
	groups,
	all,
	onChange,
}: {
	role: Role;
	groups: number[];
	all: PeopleGroup[];
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

export function LinkToPass({ link, valid }: { link: string; valid: string }) {
	return (
		<div className="bg-accent text-accent-content rounded-field p-4 grid gap-2">
			<p>
				Pass this link on. With it they choose a password. It is valid for {valid}, works once, and is shown only now.
			</p>
			<input
				readOnly
				className="input w-full font-mono text-xs"
				aria-label="The link"
				value={link}
				onFocus={(event) => event.target.select()}
			/>
		</div>
	);
}

export function Invite({ groups, onClose }: { groups: PeopleGroup[]; onClose: () => void }) {
	const client = useQueryClient();
	const [given, setGiven] = useState({ name: "", email: "", role: "author" as Role, groups: [] as number[] });
	const invite = useMutation({
		mutationFn: () => post("/people", { body: given }),
		onSuccess: () => void client.invalidateQueries({ queryKey: ["people"] }),
	});
	return (
		<Sheet title="Invite someone" onClose={onClose}>
			{invite.data ? (
				<LinkToPass {...invite.data} />
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
