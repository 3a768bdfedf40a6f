import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useReducer, useRef, useState } from "react";
import { ApiError, fitsLeaving, LEAVING } from "../api/api";
import { beforeSigningOut } from "../api/session";
import { useStart } from "../api/start";
import { type Act, type History, recall, remember, step } from "./history";
import { type DraftKind, keepDraft } from "./onServer";
import { dropUnsent, keepUnsent, type Unsent, unsentKey, unsentOf } from "./unsent";

export type Keeping =
	| { state: "kept"; at: string }
	| { state: "keeping" }
	| { state: "stale" }
	| { state: "failed"; why: string; passing: boolean };

/** Delay in milliseconds before saving is tried again. */
const AGAIN = 5000;

/** The draft on the server. */
export interface Drafted<T> {
	key: string;
	definition: T;
	revision: number;
	savedAt: string;
}

/** A draft that saves itself while it is edited, with an undo history. */
export function useKeptDraft<T>(kind: DraftKind, draft: Drafted<T>) {
	const client = useQueryClient();
	const name = `${kind} ${draft.key}`;
	const [history, act] = useReducer(
		(now: History<T>, next: Act<T>) => step(now, next),
		null,
		(): History<T> => recall(sessionStorage, name, draft.definition, draft.revision),
	);
	const start = useStart();
	const key = unsentKey(start.user.email, name);
	const [left, setLeft] = useState<Unsent<T> | null>(() => {
		const found = unsentOf<T>(key);
		return found && JSON.stringify(found.state) !== JSON.stringify(draft.definition) ? found : null;
	});
	const definition = history.now;
	const revision = useRef(draft.revision);
	const kept = useRef(draft.definition);
	const flight = useRef<Promise<boolean> | null>(null);
	const wanted = useRef(definition);
	const newest = useRef(history);
	const [keeping, setKeeping] = useState<Keeping>({ state: "kept", at: draft.savedAt });
	wanted.current = definition;
	newest.current = history;

	const save = useCallback(
		async (saving: T, from: number): Promise<boolean> => {
			setKeeping({ state: "keeping" });
			try {
				const answer = await keepDraft(kind, draft.key, { definition: saving, revision: from });
				revision.current = answer.revision;
				kept.current = saving;
				if (wanted.current === saving) {
					dropUnsent(key);
				}
				// Also if the person left the screen in between.
				remember(sessionStorage, name, newest.current, answer.revision);
				setKeeping({ state: "kept", at: answer.savedAt });
				return true;
			} catch (error) {
				setKeeping(
					error instanceof ApiError && error.isStale
						? { state: "stale" }
						: {
								state: "failed",
								why: error instanceof Error ? error.message : String(error),
								passing: error instanceof ApiError && error.isPassing,
							},
				);
				return false;
			}
		},
		[kind, draft.key, name, key],
	);

	/** Saves the newest state after requests in progress; returns true if it is saved. */
	const keep = useCallback(async (): Promise<boolean> => {
		while (flight.current) {
			await flight.current;
		}
		if (wanted.current === kept.current) {
			return true;
		}
		flight.current = save(wanted.current, revision.current);
		const done = await flight.current;
		flight.current = null;
		return done && (wanted.current === kept.current || keep());
	}, [save]);

	// biome-ignore lint/correctness/useExhaustiveDependencies: what is kept counts the revision up
	useEffect(() => remember(sessionStorage, name, history, revision.current), [name, history, keeping]);

	// biome-ignore lint/correctness/useExhaustiveDependencies: every change of the definition is to be kept
	useEffect(() => {
		if (keeping.state === "stale") {
			return;
		}
		if (definition !== kept.current) {
			keepUnsent(key, revision.current, definition);
		}
		const timer = setTimeout(() => void keep(), 600);
		return () => clearTimeout(timer);
	}, [definition, keep, key]);

	// Saves again when the connection is back.
	useEffect(() => {
		if (keeping.state !== "failed" || !keeping.passing) {
			return;
		}
		const again = () => void keep();
		const timer = setTimeout(again, AGAIN);
		window.addEventListener("online", again);
		return () => {
			clearTimeout(timer);
			window.removeEventListener("online", again);
		};
	}, [keeping, keep]);

	useEffect(() => {
		// During page unload there is no time to wait for the request in progress, which will increase the revision by
		// one.
		const leave = () => {
			const body = { definition: wanted.current, revision: revision.current + (flight.current ? 1 : 0) };
			// A draft that is too large stays in this browser, and is offered on return.
			if (wanted.current !== kept.current && fitsLeaving(JSON.stringify(body))) {
				void keepDraft(kind, draft.key, body, LEAVING).catch(() => undefined);
			}
		};
		const unregister = beforeSigningOut(keep);
		window.addEventListener("pagehide", leave);
		return () => {
			unregister();
			window.removeEventListener("pagehide", leave);
			void keep().then(() => client.invalidateQueries({ queryKey: [`${kind}s`] }));
		};
	}, [keep, client, draft.key, kind]);

	const change = useCallback((to: T, tag: string | null = null) => act({ do: "change", to, tag }), []);

	/** After another person's save: overwrites it with this draft. */
	const overwrite = useCallback(
		async (newest: number) => {
			revision.current = newest;
			await keep();
		},
		[keep],
	);

	/** After another person's save: takes their version. This draft becomes an undo step. */
	const takeTheirs = useCallback((theirs: Drafted<T>) => {
		revision.current = theirs.revision;
		kept.current = theirs.definition;
		act({ do: "replace", to: theirs.definition });
		setKeeping({ state: "kept", at: theirs.savedAt });
	}, []);

	/** After publishing, which may complete the definition and changes the revision. */
	const published = useCallback(
		(now: Drafted<T>) => {
			revision.current = now.revision;
			const isSame = JSON.stringify(kept.current) === JSON.stringify(now.definition);
			const isEdited = wanted.current !== kept.current;
			if (!isEdited && !isSame) {
				kept.current = now.definition;
				act({ do: "replace", to: now.definition });
			}
			remember(sessionStorage, name, newest.current, now.revision);
			setKeeping({ state: "kept", at: now.savedAt });
		},
		[name],
	);

	return {
		definition,
		change,
		published,
		/** The revision of the server's draft. */
		revision: useCallback(() => revision.current, []),
		undo: useCallback(() => act({ do: "undo" }), []),
		redo: useCallback(() => act({ do: "redo" }), []),
		canUndo: history.past.length > 0,
		canRedo: history.future.length > 0,
		keep,
		// A change that is not sent yet is not saved.
		keeping: keeping.state === "kept" && definition !== kept.current ? ({ state: "keeping" } as const) : keeping,
		overwrite,
		takeTheirs,
		/** A draft that was changed earlier and never reached the server. */
		left,
		bringBackLeft: useCallback(() => {
			if (left) {
				change(left.state);
				setLeft(null);
			}
		}, [left, change]),
		dropLeft: useCallback(() => {
			setLeft(null);
			dropUnsent(key);
		}, [key]),
	};
}

export type KeptDraft<T> = ReturnType<typeof useKeptDraft<T>>;
