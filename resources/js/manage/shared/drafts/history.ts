/** The undo history of a definition and the current position in it. */
export interface History<T> {
	past: T[];
	now: T;
	future: T[];
	/**
	 * The tag of the last change: consecutive changes with the same tag are one undo step, such as typing in one box.
	 */
	tag: string | null;
}

export type Act<T> =
	| { do: "change"; to: T; tag: string | null }
	| { do: "undo" }
	| { do: "redo" }
	| { do: "replace"; to: T };

/** Maximum number of undo steps that are stored. */
const STEPS = 100;

export function step<T>(history: History<T>, act: Act<T>): History<T> {
	switch (act.do) {
		case "change": {
			const same = act.tag !== null && act.tag === history.tag;
			return { past: same ? history.past : [...history.past, history.now], now: act.to, future: [], tag: act.tag };
		}
		case "undo": {
			const before = history.past.at(-1);
			return before
				? { past: history.past.slice(0, -1), now: before, future: [history.now, ...history.future], tag: null }
				: history;
		}
		case "redo": {
			const [next, ...rest] = history.future;
			return next ? { past: [...history.past, history.now], now: next, future: rest, tag: null } : history;
		}
		case "replace":
			return { past: [...history.past, history.now], now: act.to, future: [], tag: null };
	}
}

function name(key: string): string {
	return `history ${key}`;
}

/** Stores the history while this tab is open, so that it survives leaving the screen and reloading. */
export function remember<T>(storage: Storage, key: string, history: History<T>, revision: number): void {
	const { past, now, future } = history;
	try {
		storage.setItem(
			name(key),
			JSON.stringify({ revision, past: past.slice(-STEPS), now, future: future.slice(0, STEPS) }),
		);
	} catch {
		// Storage is full or forbidden: the history then ends with the page.
		storage.removeItem(name(key));
	}
}

/**
 * Restores the history. If the server's draft differs from the stored one, the stored one becomes an undo step.
 *
 * @param draft the server's, at that revision
 */
export function recall<T>(storage: Storage, key: string, draft: T, revision: number): History<T> {
	const none: History<T> = { past: [], now: draft, future: [], tag: null };
	try {
		const kept = JSON.parse(storage.getItem(name(key)) ?? "null") as (History<T> & { revision: number }) | null;
		if (kept === null) {
			return none;
		}
		return kept.revision === revision
			? { past: kept.past, now: draft, future: kept.future, tag: null }
			: { past: [...kept.past, kept.now], now: draft, future: [], tag: null };
	} catch {
		return none;
	}
}
