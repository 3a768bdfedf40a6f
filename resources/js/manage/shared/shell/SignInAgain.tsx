import { lazy, Suspense, useEffect, useState } from "react";
import { onSignedOut } from "../api/session";

const load = () => import("./SignInDialog").then((module) => ({ default: module.SignInDialog }));
const SignInDialog = lazy(load);

/** When the session has ended, asks for the password on the current screen; requests then continue. */
export function SignInAgain({ email }: { email: string }) {
	const [goOn, setGoOn] = useState<(() => void) | null>(null);
	useEffect(() => {
		onSignedOut(() => new Promise<void>((resolve) => setGoOn(() => resolve)));
		// Loaded in advance, because a later deployment may rename the file.
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
