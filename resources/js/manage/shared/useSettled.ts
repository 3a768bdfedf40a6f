import { useEffect, useState } from "react";

/**
 * The value, once it has stayed the same for a while: what is asked for by typing is not asked for with every
 * letter.
 */
export function useSettled<T>(value: T, milliseconds = 200): T {
	const [settled, setSettled] = useState(value);
	useEffect(() => {
		const timer = setTimeout(() => setSettled(value), milliseconds);
		return () => clearTimeout(timer);
	}, [value, milliseconds]);
	return settled;
}
