import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { send } from "../../shared/api";
import { fieldOf, useStart, useType } from "../../shared/start";
import type { Condition, Field, Options } from "../../shared/types";
import type { Bench } from "../useBench";
import { NumberInput, TextInput } from "./inputs";

/** One condition: its field, its test and its value, with counts beside the choices. */
export function ConditionEditor({
	condition,
	onChange,
	bench,
	before,
	tag,
}: {
	condition: Condition;
	onChange: (next: Condition, tag?: string | null) => void;
	bench: Bench;
	before: string;
	tag: string;
}) {
	const type = useType(bench.definition.source.items[0]);
	const field = fieldOf(type, condition.field);
	// A test that wants a value not given yet waits here, so that no wrong condition is ever built.
	const [waiting, setWaiting] = useState<string | null>(null);
	const options = useQuery({
		queryKey: ["options", bench.definition.source, bench.definition.where, condition.field, before],
		queryFn: () =>
			send<Options>("POST", "/bench/options", { definition: bench.definition, field: condition.field, before }),
		placeholderData: keepPreviousData,
		enabled: field !== undefined,
	});
	if (!field) {
		return null;
	}
	const test = waiting ?? condition.test;
	const wants = field.tests.find((one) => one.key === test)?.wantsValue ?? false;
	const off = condition.off ? { off: true } : {};

	const pickTest = async (key: string) => {
		const next = field.tests.find((one) => one.key === key);
		// A range begins with what the records hold, so that has to be known first.
		const held = options.data ?? (next?.wantsValue ? (await options.refetch()).data : undefined);
		const value = next?.wantsValue ? firstValue(field, key, condition, held) : undefined;
		if (next?.wantsValue && value === undefined) {
			setWaiting(key);
			return;
		}
		setWaiting(null);
		onChange({
			field: field.key,
			test: key,
			...(value === undefined ? {} : { value }),
			...(value !== undefined && condition.below ? { below: true } : {}),
			...off,
		});
	};
	const pickValue = (value: unknown, extra: Partial<Condition> = {}, typing = false) => {
		setWaiting(null);
		const key = wants ? test : "anyOf";
		onChange({ field: field.key, test: key, value, ...extra, ...off }, typing ? tag : null);
	};

	return (
		<div className="grid gap-2.5">
			<div className="flex flex-wrap gap-2">
				<select
					className="select select-sm w-auto max-w-44"
					aria-label="Field"
					value={field.key}
					onChange={(event) => {
						setWaiting(null);
						onChange({ field: event.target.value, test: "filled", ...off });
					}}
				>
					{type.fields.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
				</select>
				<select
					className="select select-sm w-auto max-w-44"
					aria-label="Test"
					value={test}
					onChange={(event) => void pickTest(event.target.value)}
				>
					{field.tests.map((one) => (
						<option key={one.key} value={one.key}>
							{one.words}
						</option>
					))}
				</select>
				<Value
					field={field}
					test={test}
					wants={wants}
					condition={condition}
					options={options.data}
					onPick={pickValue}
				/>
			</div>
			{field.family === "choice" || field.family === "choices" ? (
				<Chips field={field} condition={condition} wants={wants} options={options.data} onPick={pickValue} />
			) : null}
			{field.family === "terms" ? (
				<TermList field={field} condition={condition} wants={wants} options={options.data} onPick={pickValue} />
			) : null}
			{waiting !== null && <p className="text-quiet text-[0.8rem]">The rule changes as soon as a value is given.</p>}
			{options.data && options.data.empty > 0 && (
				<p className="text-quiet text-[0.8rem]">
					{options.data.empty} of those that reach this rule have no {field.label.toLowerCase()}.
				</p>
			)}
		</div>
	);
}

function firstValue(field: Field, test: string, condition: Condition, options?: Options): unknown {
	const had = condition.value;
	switch (field.family) {
		case "number": {
			const from = options?.from ?? 0;
			if (test === "between") {
				return Array.isArray(had)
					? had
					: typeof had === "number"
						? [had, Math.max(had, options?.to ?? had)]
						: [from, options?.to ?? from];
			}
			return typeof had === "number" ? had : Array.isArray(had) ? had[0] : from;
		}
		case "text":
		case "longText":
			return typeof had === "string" ? had : undefined;
		default:
			return Array.isArray(had) && had.length > 0 ? had : undefined;
	}
}

interface ValueProps {
	field: Field;
	condition: Condition;
	wants: boolean;
	options: Options | undefined;
	onPick: (value: unknown, extra?: Partial<Condition>, typing?: boolean) => void;
}

function Value({ field, test, wants, condition, options, onPick }: ValueProps & { test: string }) {
	if (!wants) {
		return null;
	}
	if (field.family === "number") {
		const hint =
			options?.from === null || options?.from === undefined ? undefined : `${options.from} to ${options.to} here`;
		if (test === "between") {
			const [from, to] = (Array.isArray(condition.value) ? condition.value : [0, 0]) as [number, number];
			return (
				<span className="flex flex-wrap items-center gap-2">
					<NumberInput label="From" value={from} onChange={(next) => next <= to && onPick([next, to], {}, true)} />
					and
					<NumberInput label="To" value={to} onChange={(next) => next >= from && onPick([from, next], {}, true)} />
					{field.unit}
					{hint && <span className="text-quiet text-[0.8rem]">{hint}</span>}
				</span>
			);
		}
		return (
			<span className="flex flex-wrap items-center gap-2">
				<NumberInput
					label="Value"
					value={typeof condition.value === "number" ? condition.value : 0}
					onChange={(next) => onPick(next, {}, true)}
				/>
				{field.unit}
				{hint && <span className="text-quiet text-[0.8rem]">{hint}</span>}
			</span>
		);
	}
	if (field.family === "text" || field.family === "longText") {
		return (
			<TextInput
				label="Text"
				value={typeof condition.value === "string" ? condition.value : ""}
				onChange={(next) => onPick(next, {}, true)}
			/>
		);
	}
	return null;
}

function chosen(condition: Condition, wants: boolean): string[] {
	return wants && Array.isArray(condition.value) ? (condition.value as string[]) : [];
}

/** The list with one more or one less; the last one cannot go, since a rule without a value says nothing. */
function toggled(list: string[], one: string): string[] | null {
	const next = list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
	return next.length === 0 ? null : next;
}

function Chips({ field, condition, wants, options, onPick }: ValueProps) {
	const on = chosen(condition, wants);
	return (
		<fieldset className="flex flex-wrap gap-1.5">
			<legend className="sr-only">{field.label}</legend>
			{field.choices.map((choice) => (
				<button
					key={choice.key}
					type="button"
					className="chip"
					aria-pressed={on.includes(choice.key)}
					onClick={() => {
						const next = toggled(on, choice.key);
						if (next) {
							onPick(next);
						}
					}}
				>
					{choice.label} <span className="opacity-75">{options?.choices[choice.key] ?? 0}</span>
				</button>
			))}
		</fieldset>
	);
}

function TermList({ field, condition, wants, options, onPick }: ValueProps) {
	const taxonomy = useStart().taxonomies.find((one) => one.key === field.key);
	const on = chosen(condition, wants);
	const below = wants ? (condition.below ?? false) : (taxonomy?.tree ?? false);
	return (
		<div className="grid gap-2">
			<ul className="max-h-56 overflow-y-auto border border-base-300 rounded-field p-1.5" aria-label={field.label}>
				{taxonomy?.terms.map((term) => (
					<li key={term.slug} style={{ paddingLeft: `${term.depth * 1.25}rem` }}>
						<label className="flex items-center gap-2 py-0.5 cursor-pointer">
							<input
								type="checkbox"
								className="checkbox checkbox-xs"
								checked={on.includes(term.slug)}
								onChange={() => {
									const next = toggled(on, term.slug);
									if (next) {
										onPick(next, below ? { below: true } : {});
									}
								}}
							/>
							<span className="flex-1">{term.name}</span>
							<span className="text-quiet">{options?.choices[term.slug] ?? 0}</span>
						</label>
					</li>
				))}
			</ul>
			{taxonomy?.tree && (
				<label className="flex items-center gap-2 cursor-pointer">
					<input
						type="checkbox"
						className="toggle toggle-sm"
						checked={below}
						disabled={on.length === 0}
						onChange={(event) => onPick(on, event.target.checked ? { below: true } : {})}
					/>
					and all below
				</label>
			)}
		</div>
	);
}
