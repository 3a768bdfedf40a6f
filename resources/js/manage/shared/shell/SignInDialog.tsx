import { type FormEvent, useRef, useState } from "react";
import { signIn } from "../api/session";
import { Notice } from "../Notice";
import { Sheet } from "../Sheet";

/** Asks for the password of the person who was signed in. */
export function SignInDialog({ email, onSignedIn }: { email: string; onSignedIn: () => void }) {
	const [problem, setProblem] = useState<string | null>(null);
	const [busy, setBusy] = useState(false);
	const password = useRef<HTMLInputElement>(null);
	const submit = async (event: FormEvent) => {
		event.preventDefault();
		setBusy(true);
		try {
			await signIn(email, password.current?.value ?? "");
			onSignedIn();
		} catch (error) {
			setProblem(error instanceof Error ? error.message : String(error));
		} finally {
			setBusy(false);
		}
	};
	return (
		<Sheet title="You are signed out" onClose={() => window.location.assign("/manage/sign-in")}>
			<p>Sign in again and go on where you were. What you typed is still here.</p>
			<form onSubmit={submit} className="grid gap-3">
				{problem && <Notice>{problem}</Notice>}
				<label className="grid gap-1">
					<span className="font-semibold">E-mail address</span>
					<input className="input w-full" value={email} readOnly autoComplete="username" />
				</label>
				<label className="grid gap-1">
					<span className="font-semibold">Password</span>
					<input ref={password} className="input w-full" type="password" autoComplete="current-password" required />
				</label>
				<button type="submit" className="btn btn-secondary justify-self-start" disabled={busy}>
					Sign in
				</button>
			</form>
		</Sheet>
	);
}
