import { useState } from "react";
import type { Difference, StaleItem, Values } from "../../shared/api/schema";
import { moment, useStart } from "../../shared/api/start";
import { Sheet } from "../../shared/Sheet";

/** Resolves a conflict: the second person decides for each field. */
export function Conflict({
	stale,
	now,
	onDecide,
	onClose,
}: {
	stale: StaleItem;
	/** the other person's saved values */
	now: Values | null;
	onDecide: (values: Values, revision: number) => void;
	onClose: () => void;
}) {
	const start = useStart();
	const [takeTheirs, setTakeTheirs] = useState<Set<string>>(new Set());
	const last = stale.saves.at(-1);
	const decided = () => ({
		...stale.merged,
		...Object.fromEntries([...takeTheirs].map((field) => [field, now?.[field] ?? null])),
	});
	return (
		<Sheet title="Someone else saved this in the meantime" onClose={onClose} wide>
			<p>
				{last && (
					<>
						{last.by} saved it on {moment(start, last.at)}.{" "}
					</>
				)}
				Nothing of yours is lost: it is still in the form.
			</p>
			<section className="grid gap-2" aria-label="What they changed">
				<h3 className="font-semibold">What they changed</h3>
				<ul className="grid gap-1.5">
					{stale.theirs.map((one) => (
						<li key={one.field}>
							<Beside difference={one} />
						</li>
					))}
				</ul>
			</section>
			{stale.conflicts.length > 0 && (
				<section className="grid gap-3" aria-label="Changed by both">
					<h3 className="font-semibold">Changed by both: whose is it to be?</h3>
					{stale.conflicts.map((one) => (
						<fieldset key={one.field} className="grid sm:grid-cols-2 gap-2">
							<legend className="text-quiet">{one.label}</legend>
							{[false, true].map((theirs) => (
								<label
									key={String(theirs)}
									className="flex gap-2 items-start border border-base-300 rounded-field p-3 cursor-pointer"
								>
									<input
										type="radio"
										name={`whose-${one.field}`}
										className="radio radio-sm mt-0.5"
										checked={takeTheirs.has(one.field) === theirs}
										onChange={() =>
											setTakeTheirs((set) => {
												const next = new Set(set);
												theirs ? next.add(one.field) : next.delete(one.field);
												return next;
											})
										}
									/>
									<span className="min-w-0">
										<span className="text-quiet">{theirs ? "Theirs" : "Mine"}: </span>
										<span className="break-words">{(theirs ? one.theirs : one.mine) || "nothing"}</span>
									</span>
								</label>
							))}
						</fieldset>
					))}
				</section>
			)}
			<div className="flex flex-wrap gap-3">
				<button type="button" className="btn btn-secondary" onClick={() => onDecide(decided(), stale.revision)}>
					{stale.conflicts.length > 0 ? "Save with these values" : "Save both together"}
				</button>
				<button type="button" className="btn" onClick={onClose}>
					Back to the form
				</button>
			</div>
		</Sheet>
	);
}

/** A field before and after, side by side. */
export function Beside({ difference }: { difference: Difference }) {
	return (
		<div className="grid gap-x-4 gap-y-0.5 sm:grid-cols-[9rem_minmax(0,1fr)_minmax(0,1fr)]">
			<span className="text-quiet">{difference.label}</span>
			<del className="break-words no-underline bg-[#f6e4da] rounded px-1.5 max-h-40 overflow-y-auto" title="before">
				<span className="sr-only">before: </span>
				{difference.before || "nothing"}
			</del>
			<ins className="break-words no-underline bg-[#dcebe0] rounded px-1.5 max-h-40 overflow-y-auto" title="after">
				<span className="sr-only">after: </span>
				{difference.after || "nothing"}
			</ins>
		</div>
	);
}
