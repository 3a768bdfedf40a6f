import type { Field, Option } from "../api/schema";
import { TextInput } from "./inputs";
import { NumberInput } from "./NumberInput";

const WIDTHS = [
	["phone", "Phone"],
	["tablet", "Tablet"],
	["laptop", "Laptop"],
	["desktop", "Desktop"],
] as const;

/** The control for one option of a plug-in, as the server describes it. */
export function OptionControl({
	option,
	value,
	onChange,
	fields = [],
	word,
}: {
	option: Option;
	/** What the definition says; `undefined` for the default. */
	value: unknown;
	/** Told `undefined` where the default is chosen. */
	onChange: (next: unknown) => void;
	/** Those that a field can be chosen from. */
	fields?: Field[];
	/** The place in the definition of the word that it stands for. */
	word?: string;
}) {
	const now = value ?? option.default;
	const put = (next: unknown) => onChange(JSON.stringify(next) === JSON.stringify(option.default) ? undefined : next);
	switch (option.kind) {
		case "oneOf":
			return (
				<Labelled label={option.label}>
					<select
						className="select select-sm w-auto max-w-48"
						data-word={word}
						value={String(now ?? "")}
						onChange={(event) => put(event.target.value)}
					>
						{option.choices?.map((one) => (
							<option key={one.value} value={one.value}>
								{one.label}
							</option>
						))}
					</select>
				</Labelled>
			);
		case "field": {
			const families = option.choices?.map((one) => one.value) ?? [];
			const fit = fields.filter((one) => families.includes(one.family));
			return (
				<Labelled label={option.label}>
					<select
						className="select select-sm w-auto max-w-48"
						data-word={word}
						value={String(now ?? "")}
						onChange={(event) => put(event.target.value === "" ? undefined : event.target.value)}
					>
						{option.default === "" && <option value="">—</option>}
						{fit.map((one) => (
							<option key={one.key} value={one.key}>
								{one.label}
							</option>
						))}
					</select>
				</Labelled>
			);
		}
		case "flag":
			return (
				<label className="flex items-center gap-2 text-sm">
					<input
						type="checkbox"
						className="checkbox checkbox-sm"
						checked={now === true}
						onChange={(event) => put(event.target.checked)}
					/>
					{option.label}
				</label>
			);
		case "group": {
			const said = (value ?? {}) as Record<string, unknown>;
			return (
				<details className="text-sm" open={Object.keys(said).length > 0}>
					<summary className="cursor-pointer py-0.5">{option.label}</summary>
					<div className="grid gap-1.5 pl-4 py-1">
						{option.options?.map((inner) => (
							<OptionControl
								key={inner.key}
								option={inner}
								value={said[inner.key]}
								word={word && `${word}.${inner.key}`}
								onChange={(next) => {
									const { [inner.key]: _, ...rest } = said;
									const changed = next === undefined ? rest : { ...rest, [inner.key]: next };
									onChange(Object.keys(changed).length === 0 ? undefined : changed);
								}}
							/>
						))}
					</div>
				</details>
			);
		}
		case "whole":
			return (
				<Labelled label={option.label} after={option.unit}>
					{typeof now === "number" ? (
						<>
							<NumberInput
								label={option.label}
								word={word}
								value={now}
								min={option.min}
								max={option.max}
								step={option.step}
								whole
								className="w-18"
								onChange={put}
							/>
							{option.default === null && (
								<button type="button" className="plain-add" onClick={() => onChange(undefined)}>
									Remove
								</button>
							)}
						</>
					) : (
						<button type="button" className="plain-add" onClick={() => onChange(Math.max(option.min ?? 1, 3))}>
							Set
						</button>
					)}
				</Labelled>
			);
		case "words":
			return (
				<Labelled label={option.label}>
					<input
						key={String(now ?? "")}
						className="input input-sm w-44"
						data-word={word}
						placeholder={option.hint ?? ""}
						defaultValue={String(now ?? "")}
						onBlur={(event) => {
							const next = event.target.value.trim();
							if (next !== String(now ?? "") && (next !== "" || option.default !== null)) {
								put(next === "" ? undefined : next);
							}
						}}
						onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
					/>
				</Labelled>
			);
		case "several": {
			const chosen = Array.isArray(now) ? (now as string[]) : [];
			return (
				<fieldset className="flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
					<legend className="float-left mr-3 text-quiet">{option.label}</legend>
					{option.choices?.map((one) => (
						<label key={one.value} className="flex items-center gap-1.5">
							<input
								type="checkbox"
								className="checkbox checkbox-xs"
								checked={chosen.includes(one.value)}
								disabled={chosen.length === 1 && chosen.includes(one.value)}
								onChange={(event) =>
									put(
										option.choices
											?.map((choice) => choice.value)
											.filter((key) => (key === one.value ? event.target.checked : chosen.includes(key))),
									)
								}
							/>
							{one.label}
						</label>
					))}
				</fieldset>
			);
		}
		case "wholes":
			return (
				<Labelled label={option.label} after={option.unit}>
					<input
						key={JSON.stringify(now)}
						className="input input-sm w-36"
						data-word={word}
						placeholder="8, 16, 32"
						defaultValue={Array.isArray(now) ? now.join(", ") : ""}
						onBlur={(event) => {
							const next = (event.target.value.match(/\d+/g) ?? [])
								.map(Number)
								.filter((one) => one >= (option.min ?? 1) && one <= (option.max ?? Number.MAX_SAFE_INTEGER));
							put([...new Set(next)]);
						}}
						onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
					/>
				</Labelled>
			);
		case "points":
			return <PointsControl label={option.label} points={Array.isArray(now) ? (now as Point[]) : []} onChange={put} />;
		default:
			return null;
	}
}

interface Point {
	key: string;
	name: string;
	latitude: number;
	longitude: number;
}

/** Points on the earth with names. */
function PointsControl({
	label,
	points,
	onChange,
}: {
	label: string;
	points: Point[];
	onChange: (next: Point[]) => void;
}) {
	const put = (i: number, next: Partial<Point>) =>
		onChange(points.map((one, other) => (other === i ? { ...one, ...next } : one)));
	return (
		<fieldset className="grid gap-1.5 text-sm">
			<legend className="text-quiet">{label}</legend>
			{points.map((point, i) => (
				<div key={point.key} className="flex flex-wrap items-center gap-2">
					<TextInput
						label="What the point is called"
						value={point.name}
						className="w-36"
						onChange={(name) => put(i, { name })}
					/>
					<NumberInput
						label={`Latitude of ${point.name}`}
						value={point.latitude}
						min={-90}
						max={90}
						onChange={(latitude) => put(i, { latitude })}
					/>
					<NumberInput
						label={`Longitude of ${point.name}`}
						value={point.longitude}
						min={-180}
						max={180}
						onChange={(longitude) => put(i, { longitude })}
					/>
					<button
						type="button"
						className="plain-add"
						onClick={() => onChange(points.filter((_, other) => other !== i))}
					>
						Remove
					</button>
				</div>
			))}
			<button
				type="button"
				className="plain-add justify-self-start"
				onClick={() => {
					let n = points.length + 1;
					while (points.some((one) => one.key === `point-${n}`)) {
						n += 1;
					}
					onChange([...points, { key: `point-${n}`, name: `Point ${n}`, latitude: 0, longitude: 0 }]);
				}}
			>
				+ a point
			</button>
		</fieldset>
	);
}

/** How many stand side by side at each width. */
export function ColumnsControl({
	columns,
	most,
	beside,
	onChange,
	word = "",
}: {
	columns: Record<string, number>;
	most: number;
	/** What is said of a width. */
	beside?: (width: (typeof WIDTHS)[number][0]) => { words: string; warns: boolean } | null;
	onChange: (width: string, next: number) => void;
	/** The place of the columns in the definition. */
	word?: string;
}) {
	return (
		<div className="grid gap-1.5">
			{WIDTHS.map(([width, words]) => {
				const said = beside?.(width);
				return (
					<div key={width} className="flex items-center gap-2">
						<NumberInput
							label={`Columns on a ${width}`}
							word={`${word}.${width}`}
							value={columns[width] ?? 1}
							min={1}
							max={most}
							whole
							className="w-16"
							onChange={(next) => onChange(width, next)}
						/>
						<span className="flex-1">on a {words.toLowerCase()}</span>
						{said && <span className={`text-xs ${said.warns ? "text-secondary" : "text-quiet"}`}>{said.words}</span>}
					</div>
				);
			})}
		</div>
	);
}

function Labelled({
	label,
	after = "",
	children,
}: {
	label: string;
	after?: string | undefined;
	children: React.ReactNode;
}) {
	return (
		// biome-ignore lint/a11y/noLabelWithoutControl: the control is among the children
		<label className="flex flex-wrap items-center gap-x-2 gap-y-1 text-sm">
			<span className="text-quiet">{label}</span>
			{children}
			{after && <span className="text-quiet">{after}</span>}
		</label>
	);
}
