import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useReducer, useRef, useState } from "react";
import { ApiError, beforeSigningOut, fitsLeaving, send } from "../shared/api";
import type { Definition, Look, ModuleWhole, PreviewContext } from "../shared/schema";
import { useStart } from "../shared/start";
import { dropUnsent, keepUnsent, type Unsent, unsentKey, unsentOf } from "../shared/unsent";
import { useSettled } from "../shared/useSettled";
import { recall, remember, step } from "./history";

export type Keeping =
	| { state: "kept"; at: string }
	| { state: "keeping" }
	| { state: "stale" }
	| { state: "failed"; why: string; passing: boolean };

/** How long to wait, in milliseconds, before something is kept that could not be. */
const AGAIN = 5000;

/** The state of the bench: the definition with its history, how it looks, and the draft that keeps itself. */
export function useBench(module: ModuleWhole) {
	const client = useQueryClient();
	const [history, act] = useReducer(step, null, () =>
		recall(sessionStorage, module.key, module.definition, module.revision),
	);
	const start = useStart();
	const key = unsentKey(start.user.email, `module ${module.key}`);
	const [left, setLeft] = useState<Unsent<Definition> | null>(() => {
		const found = unsentOf<Definition>(key);
		return found && JSON.stringify(found.state) !== JSON.stringify(module.definition) ? found : null;
	});
	const [page, setPage] = useState("1");
	const [previewContext, setPreviewContext] = useState<PreviewContext>({});
	const definition = history.now;

	const shown = useSettled(definition, 90);
	const look = useQuery({
		queryKey: ["look", shown, page, previewContext],
		queryFn: ({ signal }) =>
			send<Look>("POST", "/bench/look", { ...previewContext, definition: shown, page }, { signal }),
		placeholderData: keepPreviousData,
		gcTime: 30_000,
	});

	const revision = useRef(module.revision);
	const kept = useRef(module.definition);
	const flight = useRef<Promise<boolean> | null>(null);
	const wanted = useRef(definition);
	const newest = useRef(history);
	const [keeping, setKeeping] = useState<Keeping>({ state: "kept", at: module.savedAt });
	wanted.current = definition;
	newest.current = history;

	const save = useCallback(
		async (saving: Definition, from: number): Promise<boolean> => {
			setKeeping({ state: "keeping" });
			try {
				const answer = await send<{ revision: number; savedAt: string }>("PUT", `/modules/${module.key}/draft`, {
					definition: saving,
					revision: from,
				});
				revision.current = answer.revision;
				kept.current = saving;
				if (wanted.current === saving) {
					dropUnsent(key);
				}
				// Also where the bench was left meanwhile.
				remember(sessionStorage, module.key, newest.current, answer.revision);
				setKeeping({ state: "kept", at: answer.savedAt });
				return true;
			} catch (error) {
				setKeeping(
					error instanceof ApiError && error.status === 409
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
		[module.key, key],
	);

	/** Keeps the newest state, after whatever is on its way; tells whether it is kept. */
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
	useEffect(() => remember(sessionStorage, module.key, history, revision.current), [module.key, history, keeping]);

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

	// What could not be kept for want of a connection is kept when there is one again.
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
		// A page that is being left cannot wait for what is on its way: that one will have counted the revision up.
		const leave = () => {
			const body = { definition: wanted.current, revision: revision.current + (flight.current ? 1 : 0) };
			// What is too large for that waits in this browser, and is offered on return.
			if (wanted.current !== kept.current && fitsLeaving(JSON.stringify(body))) {
				void send("PUT", `/modules/${module.key}/draft`, body, { leaving: true }).catch(() => undefined);
			}
		};
		const unregister = beforeSigningOut(keep);
		window.addEventListener("pagehide", leave);
		return () => {
			unregister();
			window.removeEventListener("pagehide", leave);
			void keep().then(() => client.invalidateQueries({ queryKey: ["modules"] }));
		};
	}, [keep, client, module.key]);

	const change = useCallback((to: Definition, tag: string | null = null) => {
		setPage("1");
		act({ do: "change", to, tag });
	}, []);

	/** After someone else saved: keep what is here, over theirs. */
	const overwrite = useCallback(
		async (newest: number) => {
			revision.current = newest;
			await keep();
		},
		[keep],
	);

	/** After someone else saved: take theirs; what is here stays behind undo. */
	const takeTheirs = useCallback((theirs: ModuleWhole) => {
		revision.current = theirs.revision;
		kept.current = theirs.definition;
		act({ do: "replace", to: theirs.definition });
		setKeeping({ state: "kept", at: theirs.savedAt });
	}, []);

	return {
		definition,
		change,
		undo: useCallback(() => act({ do: "undo" }), []),
		redo: useCallback(() => act({ do: "redo" }), []),
		canUndo: history.past.length > 0,
		canRedo: history.future.length > 0,
		look,
		/** Whether what is shown is not yet that of the definition. */
		updating: definition !== shown || look.isFetching,
		page,
		setPage,
		previewContext,
		setPreviewContext: useCallback((next: PreviewContext) => {
			setPage("1");
			setPreviewContext(next);
		}, []),
		keep,
		// A change that waits to be sent is not kept yet.
		keeping: keeping.state === "kept" && definition !== kept.current ? ({ state: "keeping" } as const) : keeping,
		overwrite,
		takeTheirs,
		/** What was changed earlier and never reached the server. */
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

export type Bench = ReturnType<typeof useBench>;
