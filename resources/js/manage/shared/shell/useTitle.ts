import { useEffect } from "react";

/** Sets the title of the browser's tab; null if another part of the screen sets it. */
export function useTitle(title: string | null): void {
	useEffect(() => {
		if (title !== null) {
			document.title = `${title} · Wellspring`;
		}
	}, [title]);
}
