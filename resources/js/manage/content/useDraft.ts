import { useCallback, useEffect, useRef, useState } from "react";
import { send } from "../shared/api";
import type { Item, Values } from "../shared/types";

const WAIT = 700;

/** Keeps what is typed into an item's form, so that nothing is lost by leaving it. */
export function useDraft(type: string, saved: Item | null, revision: number, values: Values, changed: boolean) {
	const [keptAt, setKeptAt] = useState<string | null>(saved?.draft?.keptAt ?? null);
	const [problem, setProblem] = useState<string | null>(null);
	const latest = useRef<string | null>(null);
	const onItsWay = useRef<Promise<void>>(Promise.resolve());
	const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
	const body = JSON.stringify({ type, id: saved?.id ?? null, revision: saved ? revision : null, values });

	const flush = useCallback(() => {
		if (timer.current) {
			clearTimeout(timer.current);
			timer.current = null;
		}
		if (latest.current) {
			const sent = JSON.parse(latest.current) as unknown;
			latest.current = null;
			onItsWay.current = send<{ keptAt: string }>("PUT", "/items/draft", sent, true).then(
				(answer) => {
					setKeptAt(answer.keptAt);
					setProblem(null);
				},
				(error: Error) => setProblem(error.message),
			);
		}
	}, []);
	const drop = useCallback(() => {
		if (timer.current) {
			clearTimeout(timer.current);
		}
		latest.current = null;
		setKeptAt(null);
	}, []);

	useEffect(() => {
		if (!changed) {
			return;
		}
		latest.current = body;
		timer.current = setTimeout(flush, WAIT);
		return () => {
			if (timer.current) {
				clearTimeout(timer.current);
			}
		};
	}, [body, changed, flush]);
	// What was typed last goes out when the form is left, whichever way.
	useEffect(() => {
		window.addEventListener("pagehide", flush);
		return () => {
			window.removeEventListener("pagehide", flush);
			flush();
		};
	}, [flush]);
	/** Before a save: nothing more is sent, and what is on its way has arrived, so that no draft comes after it. */
	const settled = useCallback(() => {
		if (timer.current) {
			clearTimeout(timer.current);
		}
		latest.current = null;
		return onItsWay.current;
	}, []);
	/** After a save that did not come about. */
	const keep = () => {
		latest.current = body;
		flush();
	};
	return { keptAt, problem, drop, settled, keep };
}
