import type { MenuEntry } from "../../shared/api/schema";

/** The position of an entry: its index on each level, from the top. */
export type Path = number[];

export function below(entry: MenuEntry | undefined): MenuEntry[] {
	return entry?.entries ?? [];
}

/** Changes the list that contains the entry at the path. */
function within(all: MenuEntry[], path: Path, change: (list: MenuEntry[], at: number) => MenuEntry[]): MenuEntry[] {
	const [first = 0, ...rest] = path;
	if (rest.length === 0) {
		return change(all, first);
	}
	return all.map((one, i) => (i === first ? withBelow(one, within(below(one), rest, change)) : one));
}

function withBelow(entry: MenuEntry, entries: MenuEntry[]): MenuEntry {
	const { entries: _, ...rest } = entry;
	return entries.length === 0 ? rest : { ...rest, entries };
}

export function set(all: MenuEntry[], path: Path, entry: MenuEntry): MenuEntry[] {
	return within(all, path, (list, at) => list.with(at, entry));
}

export function remove(all: MenuEntry[], path: Path): MenuEntry[] {
	return within(all, path, (list, at) => list.filter((_, i) => i !== at));
}

/** Moves an entry within its list. */
export function move(all: MenuEntry[], path: Path, by: number): MenuEntry[] {
	return within(all, path, (list, at) => {
		const next = [...list];
		next.splice(at + by, 0, ...next.splice(at, 1));
		return next;
	});
}

/** Moves an entry below the previous one, as its last child. */
export function indent(all: MenuEntry[], path: Path): MenuEntry[] {
	return within(all, path, (list, at) => {
		const [before, entry] = [list[at - 1], list[at]];
		return before && entry
			? list.with(at - 1, withBelow(before, [...below(before), entry])).filter((_, i) => i !== at)
			: list;
	});
}

/** Moves an entry after its parent. */
export function outdent(all: MenuEntry[], path: Path): MenuEntry[] {
	const parent = path.slice(0, -1);
	const from = path.at(-1) ?? 0;
	return parent.length === 0
		? all
		: within(all, parent, (list, at) => {
				const above = list[at];
				const entry = below(above)[from];
				return above && entry
					? [
							...list.slice(0, at),
							withBelow(
								above,
								below(above).filter((_, i) => i !== from),
							),
							entry,
							...list.slice(at + 1),
						]
					: list;
			});
}
