/** The list with one member moved to another position. */
export function moved<T>(list: T[], from: number, to: number): T[] {
	const copy = [...list];
	const [one] = copy.splice(from, 1);
	if (one !== undefined) {
		copy.splice(to, 0, one);
	}
	return copy;
}
