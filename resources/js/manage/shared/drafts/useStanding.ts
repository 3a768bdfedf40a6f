import { useState } from "react";

/** The state of the live version. */
export interface Standing {
	live: boolean;
	/** true if the draft differs from the live version */
	changed: boolean;
	publishedAt: string | null;
}

/** Compares the edited definition with the live version, after each change and each undo. */
export function useStanding<T>(stored: Standing & { definition: T }, definition: T, live: T | null = null) {
	const [at, setAt] = useState({ live: stored.live, publishedAt: stored.publishedAt });
	const [last, setLast] = useState<string | null>(() =>
		live !== null ? JSON.stringify(live) : stored.live && !stored.changed ? JSON.stringify(stored.definition) : null,
	);
	return {
		standing: { ...at, changed: at.live && last !== JSON.stringify(definition) },
		published: (now: Standing & { definition: T }) => {
			setAt({ live: now.live, publishedAt: now.publishedAt });
			setLast(JSON.stringify(now.definition));
		},
	};
}
