import type { TermRow } from "../shared/api/schema";

/** The terms below each term, in order; the top level is under null. */
export function childrenOf(terms: TermRow[]): Map<number | null, TermRow[]> {
	const children = new Map<number | null, TermRow[]>();
	for (const one of terms) {
		const list = children.get(one.parent);
		list ? list.push(one) : children.set(one.parent, [one]);
	}
	return children;
}

/** The ids above a term, nearest first. */
export function above(terms: TermRow[], id: number): number[] {
	const byId = new Map(terms.map((one) => [one.id, one]));
	const found: number[] = [];
	for (let at = byId.get(id)?.parent ?? null; at !== null && !found.includes(at); at = byId.get(at)?.parent ?? null) {
		found.push(at);
	}
	return found;
}

/** The new position of a dropped term; null for a drop on itself or below itself. */
export function landing(
	terms: TermRow[],
	dragged: number,
	target: number,
	where: "before" | "on" | "after",
): { parent: number | null; position: number } | null {
	const at = terms.find((one) => one.id === target);
	if (!at || dragged === target || above(terms, target).includes(dragged)) {
		return null;
	}
	if (where === "on") {
		return { parent: target, position: terms.filter((one) => one.parent === target && one.id !== dragged).length };
	}
	const rest = terms.filter((one) => one.parent === at.parent && one.id !== dragged);
	return { parent: at.parent, position: rest.indexOf(at) + (where === "after" ? 1 : 0) };
}

/** The terms whose name matches the words, with all their parents. */
export function fitting(terms: TermRow[], words: string): TermRow[] {
	const wanted = words.trim().toLowerCase();
	if (wanted === "") {
		return terms;
	}
	const keep = new Set<number>();
	for (const one of terms) {
		if (one.name.toLowerCase().includes(wanted)) {
			keep.add(one.id);
			for (const id of above(terms, one.id)) {
				keep.add(id);
			}
		}
	}
	return terms.filter((one) => keep.has(one.id));
}
