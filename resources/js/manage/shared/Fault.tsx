import { useRouteError } from "react-router";
import { Notice } from "./Notice";

/** What could not be fetched, and why; it can be tried again. */
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

/** What stands in a screen's place until its data are there: that they are on their way, or why they are not. */
export function Opening({ queries, words = "Opening…" }: { queries: Query[]; words?: string }) {
	const failed = queries.find((query) => query.error !== null);
	return (
		<div className="p-6">
			{failed?.error ? (
				<Fault error={failed.error} onRetry={failed.refetch} />
			) : (
				<p role="status" className="text-quiet">
					{words}
				</p>
			)}
		</div>
	);
}

/** In the place of a screen that failed while it was drawn. The other screens, and what was typed, are still there. */
export function ScreenFault() {
	const error = useRouteError();
	return (
		<div className="p-6 grid gap-3 justify-items-start">
			<Notice>
				This screen could not be shown. What you typed is kept.
				<span className="block text-[0.85rem]">{error instanceof Error ? error.message : String(error)}</span>
			</Notice>
			<button type="button" className="btn" onClick={() => window.location.reload()}>
				Try again
			</button>
		</div>
	);
}
