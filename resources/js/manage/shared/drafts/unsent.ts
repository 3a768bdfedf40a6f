/** Typed values that have not reached the server. They stay in this browser until they arrive or are dropped. */
export interface Unsent<T> {
	/** the revision that they started from; null for something new */
	revision: number | null;
	/** the instant of typing */
	at: string;
	state: T;
}

const PREFIX = "wellspring unsent ";

/** @param what such as `item product/12`; a person's own, since others may use the same browser */
export function unsentKey(person: string, what: string): string {
	return `${PREFIX}${person} ${what}`;
}

export function keepUnsent<T>(key: string, revision: number | null, state: T): void {
	try {
		localStorage.setItem(key, JSON.stringify({ revision, at: new Date().toISOString(), state }));
	} catch {
		// Storage is full or forbidden: then only the server has the values.
	}
}

export function unsentOf<T>(key: string): Unsent<T> | null {
	try {
		return JSON.parse(localStorage.getItem(key) ?? "null") as Unsent<T> | null;
	} catch {
		return null;
	}
}

export function dropUnsent(key: string): void {
	try {
		localStorage.removeItem(key);
	} catch {
		// Without storage there is nothing to drop.
	}
}

/** Removes all values when the person signs out, because other people must not see them. */
export function dropAllUnsent(): void {
	try {
		for (const key of Object.keys(localStorage)) {
			if (key.startsWith(PREFIX)) {
				localStorage.removeItem(key);
			}
		}
	} catch {
		// Without storage there is nothing to drop.
	}
}
