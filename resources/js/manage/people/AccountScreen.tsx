import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { put } from "../shared/api/api";
import { useStart } from "../shared/api/start";
import { useDone } from "../shared/Done";
import { Notice } from "../shared/Notice";
import { Screen } from "../shared/Screen";

/** The person's own account. */
export function AccountScreen() {
	const { user } = useStart();
	const done = useDone();
	const [given, setGiven] = useState({ current: "", password: "" });
	const change = useMutation({
		mutationFn: () => put("/password", { body: given }),
		onSuccess: () => {
			setGiven({ current: "", password: "" });
			done("Your password is changed. Other browsers have to sign in anew.");
		},
	});
	return (
		<Screen title={user.name} about={`${user.email}, ${user.role}`}>
			<form
				className="bg-base-100 border border-base-300 rounded-box p-5 grid gap-4 max-w-md"
				onSubmit={(event) => {
					event.preventDefault();
					change.mutate();
				}}
			>
				<h2 className="font-serif text-xl font-semibold">A new password</h2>
				{change.error && <Notice>{change.error.message}</Notice>}
				<label className="grid gap-1">
					<span className="font-semibold">Current password</span>
					<input
						type="password"
						autoComplete="current-password"
						className="input w-full"
						required
						value={given.current}
						onChange={(event) => setGiven({ ...given, current: event.target.value })}
					/>
				</label>
				<label className="grid gap-1">
					<span className="font-semibold">New password</span>
					<input
						type="password"
						autoComplete="new-password"
						minLength={12}
						className="input w-full"
						required
						value={given.password}
						onChange={(event) => setGiven({ ...given, password: event.target.value })}
					/>
					<span className="text-quiet text-xs">At least 12 characters.</span>
				</label>
				<button type="submit" className="btn btn-secondary justify-self-start" disabled={change.isPending}>
					Change it
				</button>
			</form>
		</Screen>
	);
}
