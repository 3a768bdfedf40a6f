import { useState } from "react";

/** What visitors get of something with a draft. */
export interface Standing {
	live: boolean;
	/** whether the draft differs from what visitors get */
	changed: boolean;
	publishedAt: string | null;
}

/** How the definition that is edited stands to what visitors get. It follows each edit, and each undo of one. */
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
