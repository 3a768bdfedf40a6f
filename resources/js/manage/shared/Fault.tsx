import { useRouteError } from "react-router";
import { Notice } from "./Notice";

/** An error while loading, with a button to try again. */
export function Fault({ error, onRetry }: { error: Error; onRetry: () => unknown }) {
	return (
		<Notice>
			<span className="mr-3">{error.message}</span>
			<button type="button" className="underline font-semibold cursor-pointer" onClick={() => void onRetry()}>
				Try again
			</button>
		</Notice>
	);
}

interface Query {
	error: Error | null;
	refetch: () => unknown;
}

/** The placeholder of a screen until its data are loaded: a progress note, or the error. */
export function Opening({ queries, words = "Opening…" }: { queries: Query[]; words?: string }) {
	const failed = queries.filter((query) => query.error !== null);
	const error = failed[0]?.error;
	return (
		<div className="p-6">
			{error ? (
				<Fault error={error} onRetry={() => failed.forEach((query) => void query.refetch())} />
			) : (
				<p role="status" className="text-quiet">
					{words}
				</p>
			)}
		</div>
	);
}

/** Replaces a screen that failed while it was drawn. The other screens, and everything typed, are still there. */
export function ScreenFault() {
	const error = useRouteError();
	return (
		<div className="p-6 grid gap-3 justify-items-start">
			<Notice>
				This screen could not be shown. What you typed is kept.
				<span className="block text-sm">{error instanceof Error ? error.message : String(error)}</span>
			</Notice>
			<button type="button" className="btn" onClick={() => window.location.reload()}>
				Try again
			</button>
		</div>
	);
}
