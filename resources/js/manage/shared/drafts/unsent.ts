/** What was typed and has not reached the server: it stays in this browser until it has, or until it is dropped. */
export interface Unsent<T> {
	/** the revision that it started from; null for something new */
	revision: number | null;
	/** when it was typed, as an instant */
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
		// No room, or none allowed: then only the server keeps it.
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
		// Where nothing can be kept, there is nothing to drop.
	}
}

/** When the person signs out: what they typed is nobody else's. */
export function dropAllUnsent(): void {
	try {
		for (const key of Object.keys(localStorage)) {
			if (key.startsWith(PREFIX)) {
				localStorage.removeItem(key);
			}
		}
	} catch {
		// Where nothing can be kept, there is nothing to drop.
	}
}
