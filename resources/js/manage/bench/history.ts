import type { Definition } from "../shared/schema";

/** The states a definition went through on the bench, and where it stands among them. */
export interface History {
	past: Definition[];
	now: Definition;
	future: Definition[];
	/** What the last change was made in: typing in one place is one step back, not one for each letter. */
	tag: string | null;
}

export type Act =
	| { do: "change"; to: Definition; tag: string | null }
	| { do: "undo" }
	| { do: "redo" }
	| { do: "replace"; to: Definition };

/** So many steps back are kept when the bench is left. */
const STEPS = 100;

export function step(history: History, act: Act): History {
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
	return `bench ${key}`;
}

/** Keeps the history for as long as this tab is open, so that it survives leaving the bench and loading it anew. */
export function remember(storage: Storage, key: string, history: History, revision: number): void {
	const { past, now, future } = history;
	try {
		storage.setItem(
			name(key),
			JSON.stringify({ revision, past: past.slice(-STEPS), now, future: future.slice(0, STEPS) }),
		);
	} catch {
		// No room, or none allowed: then the history ends with the page.
		storage.removeItem(name(key));
	}
}

/**
 * The history to go on with. Where the server's draft is another than the one left here, that one is a step back.
 *
 * @param draft the server's, at that revision
 */
export function recall(storage: Storage, key: string, draft: Definition, revision: number): History {
	const none = { past: [], now: draft, future: [], tag: null };
	try {
		const kept = JSON.parse(storage.getItem(name(key)) ?? "null") as (History & { revision: number }) | null;
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
