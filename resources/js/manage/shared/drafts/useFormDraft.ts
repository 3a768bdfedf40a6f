import { useCallback, useEffect, useRef, useState } from "react";
import { ApiError, fitsLeaving, LEAVING } from "../api/api";
import { beforeSigningOut } from "../api/session";
import { useStart } from "../api/start";
import { dropTyped, type FormPlace, keepTyped } from "./onServer";
import { dropUnsent, keepUnsent, type Unsent, unsentKey, unsentOf } from "./unsent";

const WAIT = 700;
const AGAIN = 5000;

/** Where the draft of a form is stored. */
export interface FormName {
	/** the name in this browser, such as `item product/12` */
	name: string;
	/** on the server */
	place: FormPlace;
	/** the time of the draft that the form started with; null if there was none */
	keptAt: string | null;
}

/**
 * Saves the typed values of a form: in this browser at once, on the server a moment later. Values that did not reach
 * the server stay in this browser and are offered when the form is opened again.
 *
 * @param revision that the values started from; null for something new
 * @param changed whether the values differ from what is saved
 */
export function useFormDraft<V>(form: FormName, revision: number | null, values: V, changed: boolean) {
	const start = useStart();
	const key = unsentKey(start.user.email, form.name);
	const [left, setLeft] = useState<Unsent<V> | null>(() => unsentOf<V>(key));
	const [keptAt, setKeptAt] = useState<string | null>(form.keptAt);
	const [problem, setProblem] = useState<string | null>(null);
	/** The values that wait to be sent; null while they are being sent. */
	const latest = useRef<string | null>(null);
	/** The latest values, sent or not. */
	const newest = useRef<string | null>(null);
	const onItsWay = useRef<Promise<void>>(Promise.resolve());
	const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
	const body = JSON.stringify({ revision, values });
	const place = JSON.stringify(form.place);

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
			.then(() => keepTyped(JSON.parse(place), JSON.parse(sent)))
			.then(
				(answer) => {
					setKeptAt(answer.keptAt);
					setProblem(null);
					// Later values may still be on their way, so they stay in the browser until they arrive.
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
	}, [key, place]);
	const forget = useCallback(() => {
		if (timer.current) {
			clearTimeout(timer.current);
			timer.current = null;
		}
		latest.current = null;
		newest.current = null;
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
		const { values: typed, revision: from } = JSON.parse(body) as { values: V; revision: number | null };
		keepUnsent(key, from, typed);
		timer.current = setTimeout(() => void flush(), WAIT);
		return () => {
			if (timer.current) {
				clearTimeout(timer.current);
				timer.current = null;
			}
		};
	}, [body, changed, flush, key]);
	// If all changes were reverted by hand, the draft is removed.
	useEffect(() => {
		if (changed || newest.current === null) {
			return;
		}
		drop();
		onItsWay.current = onItsWay.current
			.then(() => dropTyped(JSON.parse(place)))
			.then(
				() => undefined,
				() => undefined,
			);
	}, [changed, drop, place]);
	// Sends the latest values when the form is left in any way. Values that are too large stay in this browser.
	useEffect(() => {
		const leave = () => {
			if (latest.current !== null && fitsLeaving(latest.current)) {
				void keepTyped(JSON.parse(place), JSON.parse(latest.current), LEAVING).catch(() => undefined);
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
	}, [flush, place]);
	/**
	 * Call this before saving, removing or dropping the draft: it stops sending and waits for requests in progress, so
	 * that no draft arrives later.
	 */
	const settled = useCallback(() => {
		if (timer.current) {
			clearTimeout(timer.current);
			timer.current = null;
		}
		latest.current = null;
		return onItsWay.current;
	}, []);
	/** Call this after a failed save. */
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
		/** Values that were typed earlier and never reached the server. */
		left: isNews ? left : null,
		dropLeft: () => {
			setLeft(null);
			if (!changed) {
				dropUnsent(key);
			}
		},
	};
}
