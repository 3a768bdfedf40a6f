import { useCallback, useEffect, useRef, useState } from "react";
import { ApiError, beforeSigningOut, fitsLeaving, send } from "../shared/api";
import type { Item, Values } from "../shared/schema";
import { useStart } from "../shared/start";
import { dropUnsent, keepUnsent, type Unsent, unsentKey, unsentOf } from "../shared/unsent";

const WAIT = 700;
const AGAIN = 5000;

/**
 * Keeps what is typed into an item's form, so that nothing is lost by leaving it: in this browser at once, on the
 * server a moment later. What the server could not be told stays in this browser and is offered when the form is
 * opened again.
 */
export function useDraft(type: string, saved: Item | null, revision: number, values: Values, changed: boolean) {
	const start = useStart();
	const key = unsentKey(start.user.email, `item ${type}/${saved?.id ?? "new"}`);
	const [left, setLeft] = useState<Unsent<Values> | null>(() => unsentOf<Values>(key));
	const [keptAt, setKeptAt] = useState<string | null>(saved?.draft?.keptAt ?? null);
	const [problem, setProblem] = useState<string | null>(null);
	/** What waits to be sent; null once it is on its way. */
	const latest = useRef<string | null>(null);
	/** What was typed last, sent or not. */
	const newest = useRef<string | null>(null);
	const onItsWay = useRef<Promise<void>>(Promise.resolve());
	const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
	const body = JSON.stringify({ type, id: saved?.id ?? null, revision: saved ? revision : null, values });

	const flush = useCallback((): Promise<void> => {
		if (timer.current) {
			clearTimeout(timer.current);
			timer.current = null;
		}
		const sent = latest.current;
		if (sent === null) {
			return onItsWay.current;
		}
		latest.current = null;
		onItsWay.current = onItsWay.current
			.then(() => send<{ keptAt: string }>("PUT", "/items/draft", JSON.parse(sent)))
			.then(
				(answer) => {
					setKeptAt(answer.keptAt);
					setProblem(null);
					// What was typed meanwhile may be on its way behind this, and is kept until it has arrived.
					if (newest.current === sent) {
						dropUnsent(key);
					}
				},
				(error: Error) => {
					latest.current ??= sent;
					setProblem(error.message);
					if (error instanceof ApiError && error.isPassing && timer.current === null) {
						timer.current = setTimeout(() => void flush(), AGAIN);
					}
				},
			);
		return onItsWay.current;
	}, [key]);
	const forget = useCallback(() => {
		if (timer.current) {
			clearTimeout(timer.current);
			timer.current = null;
		}
		latest.current = null;
		dropUnsent(key);
	}, [key]);
	const drop = useCallback(() => {
		forget();
		setKeptAt(null);
		setProblem(null);
	}, [forget]);

	useEffect(() => {
		if (!changed) {
			return;
		}
		latest.current = body;
		newest.current = body;
		const { values: typed, revision: from } = JSON.parse(body) as { values: Values; revision: number | null };
		keepUnsent(key, from, typed);
		timer.current = setTimeout(() => void flush(), WAIT);
		return () => {
			if (timer.current) {
				clearTimeout(timer.current);
				timer.current = null;
			}
		};
	}, [body, changed, flush, key]);
	// What was typed last goes out when the form is left, whichever way; what is too large for that waits in this
	// browser.
	useEffect(() => {
		const leave = () => {
			if (latest.current !== null && fitsLeaving(latest.current)) {
				void send("PUT", "/items/draft", JSON.parse(latest.current), { leaving: true }).catch(() => undefined);
			}
		};
		const online = () => void flush();
		const unregister = beforeSigningOut(flush);
		window.addEventListener("pagehide", leave);
		window.addEventListener("online", online);
		return () => {
			unregister();
			window.removeEventListener("pagehide", leave);
			window.removeEventListener("online", online);
			void flush();
		};
	}, [flush]);
	/**
	 * Before a save, a removal or dropping the draft: nothing more is sent, and what is on its way has arrived,
	 * so that no draft comes after it.
	 */
	const settled = useCallback(() => {
		if (timer.current) {
			clearTimeout(timer.current);
			timer.current = null;
		}
		latest.current = null;
		return onItsWay.current;
	}, []);
	/** After a save that did not come about. */
	const keep = () => {
		latest.current = body;
		newest.current = body;
		void flush();
	};
	const isNews = left !== null && JSON.stringify(left.state) !== JSON.stringify(values);
	return {
		keptAt,
		problem,
		drop,
		settled,
		keep,
		/** What was typed earlier and never reached the server. */
		left: isNews ? left : null,
		dropLeft: () => {
			setLeft(null);
			if (!changed) {
				dropUnsent(key);
			}
		},
	};
}
