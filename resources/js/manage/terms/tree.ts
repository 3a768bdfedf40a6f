import type { TermRow } from "../shared/schema";
export interface Line {
	term: TermRow;
	depth: number;
	/** place among its neighbours */
	at: number;
	neighbours: number;
	below: number;
}

/** The terms as lines, parents before what is below them; what stands below a closed one is left out. */
export function linesOf(terms: TermRow[], open: (id: number) => boolean): Line[] {
	const children = new Map<number | null, TermRow[]>();
	for (const one of terms) {
		const list = children.get(one.parent);
		list ? list.push(one) : children.set(one.parent, [one]);
	}
	const lines: Line[] = [];
	const walk = (parent: number | null, depth: number) => {
		const here = children.get(parent) ?? [];
		here.forEach((term, at) => {
			const below = children.get(term.id)?.length ?? 0;
			lines.push({ term, depth, at, neighbours: here.length, below });
			if (below > 0 && open(term.id)) {
				walk(term.id, depth + 1);
			}
		});
	};
	walk(null, 0);
	return lines;
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

/** Those whose name fits the words, with all above them, so that they stand in their tree. */
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
