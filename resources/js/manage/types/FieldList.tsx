import { useState } from "react";
import type { Problem, Types } from "../shared/api/schema";
import { FieldEditor } from "./FieldEditor";
import { changed, type FieldRow, newRow, rangeStarts, removed } from "./typeFile";

/** The fields of a type, or of a taxonomy's terms, in order; one of them is open. */
export function FieldList({
	rows,
	kinds,
	problems,
	onChange,
}: {
	rows: FieldRow[];
	kinds: Types["kinds"];
	problems: Problem[];
	onChange: (rows: FieldRow[]) => void;
}) {
	const [open, setOpen] = useState<number | null>(null);
	const ofField = (row: FieldRow) => problems.filter((one) => one.path.startsWith(`properties.${row.key}`));
	const move = (from: number, to: number) => {
		const next = [...rows];
		next.splice(to, 0, ...next.splice(from, 1));
		onChange(next);
	};
	return (
		<>
			<ol className="bg-base-100 border border-base-300 rounded-box divide-y divide-base-300">
				{rows.map((row, i) => (
					<li key={row.id}>
						<div className="flex flex-wrap items-center gap-x-3 gap-y-1 px-4 py-2">
							<button
								type="button"
								className="grow text-left cursor-pointer min-w-0"
								aria-expanded={open === row.id}
								onClick={() => setOpen(open === row.id ? null : row.id)}
							>
								<span className="font-semibold">{row.schema.title || "A new field"}</span>{" "}
								<span className="text-quiet">
									{kinds.find((one) => one.key === row.schema["x-wellspring"].kind)?.words}
									{row.required && ", needed"}
									{row.schema["x-wellspring"].section && ` · ${row.schema["x-wellspring"].section}`}
								</span>
								{row.was === null && <span className="text-success ml-2">new</span>}
								{row.was !== null && row.was !== row.key && <span className="text-secondary ml-2">was {row.was}</span>}
								{ofField(row).length > 0 && <span className="text-error ml-2 font-medium">needs another look</span>}
							</button>
							<code className="text-xs text-quiet hidden sm:inline">{row.key}</code>
							<span className="flex">
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									aria-label={`Move ${row.schema.title} up`}
									disabled={i === 0}
									onClick={() => move(i, i - 1)}
								>
									↑
								</button>
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									aria-label={`Move ${row.schema.title} down`}
									disabled={i === rows.length - 1}
									onClick={() => move(i, i + 1)}
								>
									↓
								</button>
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									aria-label={`Remove the field ${row.schema.title}`}
									onClick={() => onChange(removed(rows, row.id))}
								>
									×
								</button>
							</span>
						</div>
						{open === row.id && (
							<FieldEditor
								row={row}
								kinds={kinds}
								problems={ofField(row)}
								starts={rangeStarts(rows, row)}
								onChange={(change) => onChange(changed(rows, row.id, change))}
							/>
						)}
					</li>
				))}
				{rows.length === 0 && <li className="px-4 py-3 text-quiet">None yet.</li>}
			</ol>
			<AddField
				kinds={kinds}
				onAdd={(kind) => {
					const row = newRow(
						kind,
						rows.map((one) => one.key),
					);
					onChange([...rows, row]);
					setOpen(row.id);
				}}
			/>
		</>
	);
}

function AddField({ kinds, onAdd }: { kinds: Types["kinds"]; onAdd: (kind: string) => void }) {
	const [kind, setKind] = useState("text");
	return (
		<div className="flex flex-wrap gap-2 items-center">
			<label htmlFor="new-kind">Add a field:</label>
			<select
				id="new-kind"
				className="select select-sm w-auto"
				value={kind}
				onChange={(event) => setKind(event.target.value)}
			>
				{kinds.map((one) => (
					<option key={one.key} value={one.key}>
						{one.words}
					</option>
				))}
			</select>
			<button type="button" className="btn btn-sm" onClick={() => onAdd(kind)}>
				Add
			</button>
		</div>
	);
}
