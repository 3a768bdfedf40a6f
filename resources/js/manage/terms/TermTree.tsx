import { useMemo, useState } from "react";
import type { TermRow } from "../shared/schema";
import { fitting, type Line, linesOf } from "./tree";

const SHOWN = 400;

/** Where a dragged term would land. */
type Landing = { id: number; where: "before" | "under" | "after" } | null;

/** A taxonomy's terms as lines that open and close, and move by drag or by keyboard with all below them. */
export function TermTree({
	terms,
	tree,
	chosen,
	ticked,
	onChoose,
	onTick,
	onMove,
}: {
	terms: TermRow[];
	tree: boolean;
	chosen: number | null;
	ticked: Set<number>;
	onChoose: (id: number) => void;
	onTick: (id: number) => void;
	onMove: (id: number, parent: number | null, position: number) => void;
}) {
	const [words, setWords] = useState("");
	const [shut, setShut] = useState<Set<number>>(() => new Set(terms.length > SHOWN ? terms.map((one) => one.id) : []));
	const [most, setMost] = useState(SHOWN);
	const [dragged, setDragged] = useState<number | null>(null);
	const [landing, setLanding] = useState<Landing>(null);
	const found = useMemo(() => fitting(terms, words), [terms, words]);
	const lines = useMemo(() => linesOf(found, (id) => words.trim() !== "" || !shut.has(id)), [found, shut, words]);
	const toggle = (id: number) =>
		setShut((now) => {
			const next = new Set(now);
			next.has(id) ? next.delete(id) : next.add(id);
			return next;
		});
	const neighboursOf = (line: Line) => terms.filter((one) => one.parent === line.term.parent);
	const land = (line: Line, where: "before" | "under" | "after") => {
		if (dragged === null || dragged === line.term.id) {
			return;
		}
		if (where === "under") {
			onMove(dragged, line.term.id, line.below);
			return;
		}
		const rest = neighboursOf(line).filter((one) => one.id !== dragged);
		const at = rest.findIndex((one) => one.id === line.term.id);
		onMove(dragged, line.term.parent, at + (where === "after" ? 1 : 0));
	};
	const outdent = (line: Line) => {
		const parent = terms.find((one) => one.id === line.term.parent);
		if (parent) {
			const around = terms.filter((one) => one.parent === parent.parent);
			onMove(line.term.id, parent.parent, around.findIndex((one) => one.id === parent.id) + 1);
		}
	};
	const indent = (line: Line) => {
		const before = neighboursOf(line)[line.at - 1];
		if (before) {
			onMove(line.term.id, before.id, terms.filter((one) => one.parent === before.id).length);
			setShut((now) => new Set([...now].filter((id) => id !== before.id)));
		}
	};
	const numbers = (one: TermRow) =>
		one.withBelow === one.items
			? one.items.toLocaleString()
			: `${one.items.toLocaleString()} · ${one.withBelow.toLocaleString()} with below`;
	return (
		<div className="grid gap-2">
			<div className="flex flex-wrap gap-3 items-center">
				<input
					type="search"
					className="input input-sm h-9 w-56"
					aria-label="Find terms"
					placeholder={`Find among ${terms.length.toLocaleString()}`}
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
				{tree && (
					<>
						<button type="button" className="plain-add" onClick={() => setShut(new Set())}>
							Open all
						</button>
						<button type="button" className="plain-add" onClick={() => setShut(new Set(terms.map((one) => one.id)))}>
							Close all
						</button>
					</>
				)}
			</div>
			<ul className="bg-base-100 border border-base-300 rounded-box py-1.5" aria-label="Terms">
				{lines.slice(0, most).map((line) => {
					const { term } = line;
					const here = landing?.id === term.id ? landing.where : null;
					return (
						<li
							key={term.id}
							className={`group flex flex-wrap items-center gap-x-2 pr-3 min-h-9 border-y-2 border-transparent ${chosen === term.id ? "bg-accent" : "hover:bg-base-200"} ${here === "before" ? "!border-t-secondary" : ""} ${here === "after" ? "!border-b-secondary" : ""} ${here === "under" ? "outline-2 outline-secondary -outline-offset-2" : ""}`}
							style={{ paddingLeft: `${0.75 + line.depth * 1.5}rem` }}
							onDragOver={(event) => {
								event.preventDefault();
								const box = event.currentTarget.getBoundingClientRect();
								const share = (event.clientY - box.top) / box.height;
								setLanding({
									id: term.id,
									where: tree && share > 0.3 && share < 0.7 ? "under" : share < 0.5 ? "before" : "after",
								});
							}}
							onDrop={(event) => {
								event.preventDefault();
								if (landing) {
									land(line, landing.where);
								}
								setLanding(null);
								setDragged(null);
							}}
						>
							{line.below > 0 ? (
								<button
									type="button"
									className="w-6 text-quiet cursor-pointer"
									aria-expanded={!shut.has(term.id) || words.trim() !== ""}
									aria-label={`What is below ${term.name}`}
									onClick={() => toggle(term.id)}
								>
									{shut.has(term.id) && words.trim() === "" ? "▸" : "▾"}
								</button>
							) : (
								<span className="w-6" />
							)}
							<input
								type="checkbox"
								className="checkbox checkbox-xs"
								aria-label={`Tick ${term.name}`}
								checked={ticked.has(term.id)}
								onChange={() => onTick(term.id)}
							/>
							<button
								type="button"
								draggable
								className="grow text-left cursor-pointer py-1 flex items-center gap-2 min-w-0"
								aria-current={chosen === term.id ? "true" : undefined}
								onClick={() => onChoose(term.id)}
								onDragStart={(event) => {
									event.dataTransfer.setData("text/plain", term.name);
									setDragged(term.id);
								}}
								onDragEnd={() => {
									setDragged(null);
									setLanding(null);
								}}
							>
								{term.colour && (
									<span
										aria-hidden="true"
										className="size-3 rounded-full shrink-0"
										style={{ background: term.colour }}
									/>
								)}
								<span className="truncate">{term.name}</span>
							</button>
							<span className="text-quiet text-[0.85rem]">{numbers(term)}</span>
							<span
								className={`flex group-hover:opacity-100 focus-within:opacity-100 ${chosen === term.id ? "" : "sm:opacity-0"}`}
							>
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									disabled={line.at === 0}
									aria-label={`Move ${term.name} up`}
									onClick={() => onMove(term.id, term.parent, line.at - 1)}
								>
									↑
								</button>
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									disabled={line.at === line.neighbours - 1}
									aria-label={`Move ${term.name} down`}
									onClick={() => onMove(term.id, term.parent, line.at + 1)}
								>
									↓
								</button>
								{tree && (
									<>
										<button
											type="button"
											className="btn btn-xs btn-ghost"
											disabled={term.parent === null}
											aria-label={`Move ${term.name} out by one`}
											onClick={() => outdent(line)}
										>
											←
										</button>
										<button
											type="button"
											className="btn btn-xs btn-ghost"
											disabled={line.at === 0}
											aria-label={`Move ${term.name} below the one before it`}
											onClick={() => indent(line)}
										>
											→
										</button>
									</>
								)}
							</span>
						</li>
					);
				})}
				{lines.length === 0 && (
					<li className="px-4 py-3 text-quiet">{terms.length === 0 ? "No terms yet." : "No terms found."}</li>
				)}
			</ul>
			{lines.length > most && (
				<button type="button" className="plain-add justify-self-start" onClick={() => setMost(most + SHOWN)}>
					{(lines.length - most).toLocaleString()} more
				</button>
			)}
		</div>
	);
}
