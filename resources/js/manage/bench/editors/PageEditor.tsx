import { useStart } from "../../shared/api/start";
import { NumberInput } from "../../shared/controls/NumberInput";
import { withAt } from "../definition";
import type { EditorProps } from "./props";

/** The number of records at a time, skipped, and at most. */
export function PageEditor({ bench, preview }: EditorProps) {
	const { definition, change } = bench;
	const { limits, pageModes } = useStart();
	const columns = preview.lastRow.laptop.columns;
	const size = definition.page.size;
	const fuller = columns > 1 && size % columns !== 0 ? Math.max(columns, Math.round(size / columns) * columns) : null;
	return (
		<div className="grid gap-2.5">
			<div className="flex flex-wrap items-center gap-2">
				<NumberInput
					label="How many at a time"
					word="page.size"
					value={size}
					min={1}
					max={limits.pageSize}
					whole
					onChange={(next) => change(withAt(definition, "page.size", next), "page.size")}
				/>
				at a time
				<select
					className="select select-sm w-auto max-w-52"
					aria-label="How visitors get to the rest"
					data-word="page.mode"
					value={definition.page.mode}
					onChange={(event) => {
						const mode = event.target.value;
						const loads = pageModes.find((one) => one.key === mode)?.loads ?? null;
						const { count } = definition.page;
						change({
							...definition,
							page: { mode, size, ...(loads === null ? {} : { loads }), ...(count ? { count } : {}) },
						});
					}}
				>
					{pageModes.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
				</select>
			</div>
			<label className="flex flex-wrap items-center gap-2">
				<span className="text-quiet">said above</span>
				<input
					key={definition.page.count ?? ""}
					className="input input-sm w-64"
					data-word="page.count"
					placeholder="{from}–{to} of {total}"
					defaultValue={definition.page.count ?? ""}
					onBlur={(event) => {
						const next = event.target.value.trim();
						if (next !== (definition.page.count ?? "")) {
							change(withAt(definition, "page.count", next === "" ? undefined : next));
						}
					}}
				/>
			</label>
			{definition.page.mode === "continuous" && (
				<div className="flex items-center gap-2">
					<NumberInput
						label="How often it goes on by itself"
						value={definition.page.loads ?? null}
						min={0}
						max={100}
						whole
						className="w-16"
						onChange={(next) => change(withAt(definition, "page.loads", next), "page.loads")}
					/>
					times by itself, then a button, so that the page’s foot can be reached
				</div>
			)}
			{fuller !== null && (
				<p className="text-sm">
					{size} do not fill rows of {columns}.{" "}
					<button type="button" className="plain-add" onClick={() => change(withAt(definition, "page.size", fuller))}>
						Show {fuller}
					</button>
				</p>
			)}
			<div className="flex items-center gap-2">
				<NumberInput
					label="Skip the first"
					word="skip"
					value={definition.skip ?? 0}
					min={0}
					max={1000000}
					whole
					onChange={(next) => change(withAt(definition, "skip", next === 0 ? undefined : next), "skip")}
				/>
				skipped at the beginning
			</div>
			<div className="flex items-center gap-2">
				<label className="flex items-center gap-2">
					<input
						type="checkbox"
						className="toggle toggle-sm"
						checked={definition.atMost !== undefined}
						onChange={(event) =>
							change(withAt(definition, "atMost", event.target.checked ? Math.max(1, preview.total) : undefined))
						}
					/>
					at most
				</label>
				{definition.atMost !== undefined && (
					<>
						<NumberInput
							label="At most in all"
							word="atMost"
							value={definition.atMost}
							min={1}
							max={1000000}
							whole
							onChange={(next) => change(withAt(definition, "atMost", next), "atMost")}
						/>
						in all
					</>
				)}
			</div>
		</div>
	);
}
