import { useState } from "react";
import { Button, DialogTrigger } from "react-aria-components";
import type { Condition, ContentType, Field } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { NumberInput } from "../../shared/controls/NumberInput";
import { Dropdown } from "../../shared/Dropdown";

/** The filters of the table: conditions like in modules. */
export function Filters({
	type,
	filters,
	onChange,
}: {
	type: ContentType;
	filters: Condition[];
	onChange: (filters: Condition[]) => void;
}) {
	return (
		<div className="flex flex-wrap items-center gap-2">
			{filters.map((one, i) => {
				const field = type.fields.find((other) => other.key === one.field);
				return (
					field && (
						<span key={`${one.field}-${i.toString()}`} className="chip !cursor-default">
							<FilterWords field={field} condition={one} />
							<button
								type="button"
								className="cursor-pointer font-semibold"
								aria-label={`Drop the filter on ${field.label}`}
								onClick={() => onChange(filters.filter((_, at) => at !== i))}
							>
								×
							</button>
						</span>
					)
				);
			})}
			<DialogTrigger>
				<Button className="plain-add">+ a filter</Button>
				<Dropdown label="A filter" placement="bottom start" width="w-[22rem]">
					{({ close }) => (
						<NewFilter
							type={type}
							onAdd={(filter) => {
								onChange([...filters, filter]);
								close();
							}}
						/>
					)}
				</Dropdown>
			</DialogTrigger>
		</div>
	);
}

function FilterWords({ field, condition }: { field: Field; condition: Condition }) {
	const { taxonomies } = useStart();
	const test = field.tests.find((one) => one.key === condition.test)?.words ?? condition.test;
	const words = (value: unknown): string =>
		Array.isArray(value)
			? value.map(words).join(field.family === "number" ? " to " : " or ")
			: (field.choices.find((one) => one.key === value)?.label ??
				taxonomies.find((one) => one.key === field.key)?.terms.find((one) => one.slug === value)?.name ??
				String(value ?? ""));
	return (
		<span>
			{field.label} {test} {condition.value === undefined ? "" : words(condition.value)}
		</span>
	);
}

function NewFilter({ type, onAdd }: { type: ContentType; onAdd: (filter: Condition) => void }) {
	const { taxonomies } = useStart();
	const [key, setKey] = useState(type.fields.find((one) => one.origin !== "item")?.key ?? "title");
	const field = type.fields.find((one) => one.key === key) as Field;
	const [test, setTest] = useState(field.usual.test);
	const [typed, setTyped] = useState("");
	const [until, setUntil] = useState("");
	const [chosen, setChosen] = useState<string[]>([]);
	const wants = field.tests.find((one) => one.key === test)?.wantsValue ?? false;
	const listed = ["choice", "choices", "terms"].includes(field.family);
	const options =
		field.family === "terms"
			? (taxonomies
					.find((one) => one.key === key)
					?.terms.map((one) => ({ key: one.slug, label: one.name, depth: one.depth })) ?? [])
			: field.choices.map((one) => ({ ...one, depth: 0 }));
	const value = listed
		? chosen
		: field.family === "number"
			? test === "between"
				? [Number(typed), Number(until)]
				: Number(typed)
			: typed;
	const ready =
		!wants || (listed ? chosen.length > 0 : typed.trim() !== "" && (test !== "between" || until.trim() !== ""));
	return (
		<div className="grid gap-3">
			<select
				className="select select-sm w-full"
				aria-label="Field"
				value={key}
				onChange={(event) => {
					setKey(event.target.value);
					setTest(type.fields.find((one) => one.key === event.target.value)?.usual.test ?? "filled");
					setChosen([]);
					setTyped("");
				}}
			>
				{type.fields.map((one) => (
					<option key={one.key} value={one.key}>
						{one.label}
					</option>
				))}
			</select>
			<select
				className="select select-sm w-full"
				aria-label="Test"
				value={test}
				onChange={(event) => setTest(event.target.value)}
			>
				{field.tests.map((one) => (
					<option key={one.key} value={one.key}>
						{one.words}
					</option>
				))}
			</select>
			{wants && listed && (
				<div className="max-h-52 overflow-y-auto border border-[#8b9a9c] rounded-field p-2">
					{options.slice(0, 300).map((one) => (
						<label
							key={one.key}
							className="flex items-center gap-2 py-0.5 cursor-pointer"
							style={{ paddingLeft: `${one.depth}rem` }}
						>
							<input
								type="checkbox"
								className="checkbox checkbox-xs"
								checked={chosen.includes(one.key)}
								onChange={() =>
									setChosen((now) =>
										now.includes(one.key) ? now.filter((other) => other !== one.key) : [...now, one.key],
									)
								}
							/>
							{one.label}
						</label>
					))}
				</div>
			)}
			{wants && !listed && (
				<div className="flex gap-2">
					{field.family === "number" ? (
						<NumberInput
							label="Value"
							className="w-full"
							value={typed === "" ? null : Number(typed)}
							onChange={(next) => setTyped(String(next))}
							onEmpty={() => setTyped("")}
						/>
					) : (
						<input
							type="text"
							className="input input-sm w-full"
							aria-label="Value"
							value={typed}
							onChange={(event) => setTyped(event.target.value)}
						/>
					)}
					{test === "between" && (
						<NumberInput
							label="Up to"
							className="w-full"
							value={until === "" ? null : Number(until)}
							onChange={(next) => setUntil(String(next))}
							onEmpty={() => setUntil("")}
						/>
					)}
				</div>
			)}
			<button
				type="button"
				className="btn btn-primary btn-sm"
				disabled={!ready}
				onClick={() =>
					onAdd({
						field: key,
						test,
						...(wants ? { value } : {}),
						...(wants && field.family === "terms" ? { below: true } : {}),
					})
				}
			>
				Keep only those
			</button>
		</div>
	);
}
