import { useEffect, useState } from "react";

/**
 * The value after it has not changed for a while, so that a search does not run for every letter.
 */
export function useSettled<T>(value: T, milliseconds = 200): T {
	const [settled, setSettled] = useState(value);
	useEffect(() => {
		const timer = setTimeout(() => setSettled(value), milliseconds);
		return () => clearTimeout(timer);
	}, [value, milliseconds]);
	return settled;
}
