import { useEffect } from "react";

/** What the browser's tab says; null: another part of the screen says it. */
export function useTitle(title: string | null): void {
	useEffect(() => {
		if (title !== null) {
			document.title = `${title} · Wellspring`;
		}
	}, [title]);
}
