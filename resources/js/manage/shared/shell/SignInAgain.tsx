import { lazy, Suspense, useEffect, useState } from "react";
import { onSignedOut } from "../api/session";

const load = () => import("./SignInDialog").then((module) => ({ default: module.SignInDialog }));
const SignInDialog = lazy(load);

/** When the session has ended: the password is asked for where one is, and what was under way goes on. */
export function SignInAgain({ email }: { email: string }) {
	const [goOn, setGoOn] = useState<(() => void) | null>(null);
	useEffect(() => {
		onSignedOut(() => new Promise<void>((resolve) => setGoOn(() => resolve)));
		// Fetched beforehand: by the time it is needed, its file may have another name on the server.
		const idle = window.setTimeout(() => void load().catch(() => undefined), 3000);
		return () => {
			onSignedOut(null);
			window.clearTimeout(idle);
		};
	}, []);
	return goOn ? (
		<Suspense fallback={null}>
			<SignInDialog
				email={email}
				onSignedIn={() => {
					goOn();
					setGoOn(null);
				}}
			/>
		</Suspense>
	) : null;
}
