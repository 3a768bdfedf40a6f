import type { MenuEntry } from "../../shared/api/schema";
import { Word } from "../../shared/Word";
import { EntryEditor } from "./EntryEditor";
import { below, indent, move, outdent, type Path, remove, set } from "./menuEdits";
import { said, useNames } from "./names";
import { Target } from "./Target";

/** The entries of a menu as words that open in place, with lower levels indented. */
export function MenuEntries({
	entries,
	label,
	onChange,
}: {
	entries: MenuEntry[];
	label: string;
	onChange: (entries: MenuEntry[], tag?: string) => void;
}) {
	return (
		<section aria-label={label} className="rounded-box border border-base-300 bg-base-100 p-2.5 grid gap-1.5">
			<Level entries={entries} all={entries} path={[]} onChange={onChange} />
			<div className="text-sm">
				<Word words="+ an entry" label="Add an entry">
					<Target onPick={(entry) => onChange([...entries, entry])} />
				</Word>
			</div>
		</section>
	);
}

function Level({
	entries,
	all,
	path,
	onChange,
}: {
	entries: MenuEntry[];
	all: MenuEntry[];
	path: Path;
	onChange: (entries: MenuEntry[], tag?: string) => void;
}) {
	const name = useNames();
	return (
		<ol className={`grid gap-1.5 ${path.length > 0 ? "pl-5" : ""}`}>
			{entries.map((entry, i) => {
				const at = [...path, i];
				const words = entry.label ?? name(entry);
				return (
					<li key={i.toString()} className="grid gap-1.5">
						<div
							className={`border border-base-300 border-l-3 rounded-field px-2 py-1 text-sm
								${entry.module ? "border-l-primary" : "border-l-[#b9b4a4]"}`}
						>
							<Word words={words} label={words}>
								<EntryEditor
									entry={entry}
									onChange={(next, tag) => onChange(set(all, at, next), tag && `${tag} ${at.join()}`)}
								/>
								<div className="flex flex-wrap gap-1.5">
									<button
										type="button"
										className="btn btn-sm"
										disabled={i === 0}
										onClick={() => onChange(move(all, at, -1))}
									>
										Earlier
									</button>
									<button
										type="button"
										className="btn btn-sm"
										disabled={i === entries.length - 1}
										onClick={() => onChange(move(all, at, 1))}
									>
										Later
									</button>
									<button
										type="button"
										className="btn btn-sm"
										disabled={i === 0 || entries[i - 1]?.module !== undefined}
										onClick={() => onChange(indent(all, at))}
									>
										Move below the one before
									</button>
									<button
										type="button"
										className="btn btn-sm"
										disabled={path.length === 0}
										onClick={() => onChange(outdent(all, at))}
									>
										Move up a level
									</button>
									<button type="button" className="btn btn-sm" onClick={() => onChange(remove(all, at))}>
										Remove
									</button>
								</div>
							</Word>
							<span className="ml-1.5 text-quiet text-xs">{said(entry)}</span>
						</div>
						{below(entry).length > 0 && <Level entries={below(entry)} all={all} path={at} onChange={onChange} />}
					</li>
				);
			})}
		</ol>
	);
}
