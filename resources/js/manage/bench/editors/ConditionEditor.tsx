import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { send } from "../../shared/api";
import { fieldOf } from "../../shared/start";
import type { Condition, Field, Options } from "../../shared/types";
import { newCondition } from "../definition";
import { FieldPicker } from "../FieldPicker";
import { useSource } from "../source";
import type { Bench } from "../useBench";
import { NumberInput, TextInput } from "./inputs";
import { Bars } from "./values/Bars";
import { DayValue, firstDayValue } from "./values/DayValue";
import { Chips, Linked, TermList, Texts } from "./values/ListValue";
import { LooksIn } from "./values/LooksIn";
import { Taken, takenOf } from "./values/Taken";

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
	const source = useSource();
	const field = fieldOf(source, condition.field);
	// A test that wants a value not given yet waits here, so that no wrong condition is ever built.
	const [waiting, setWaiting] = useState<string | null>(null);
	const options = useQuery({
		queryKey: [
			"options",
			bench.definition.source,
			bench.definition.where,
			condition.field,
			before,
			bench.previewContext,
		],
		queryFn: ({ signal }) =>
			send<Options>(
				"POST",
				"/bench/options",
				{ ...bench.previewContext, definition: bench.definition, field: condition.field, before },
				{ signal },
			),
		// Of the same field as before an edit; another field's values say nothing of this one.
		placeholderData: (last, query) => (query?.queryKey[3] === condition.field ? last : undefined),
		enabled: field !== undefined,
	});
	const off = condition.off ? { off: true } : {};
	const kept = { ...off, ...(condition.in ? { in: condition.in } : {}) };
	const picker = (
		<FieldPicker
			label="Field"
			value={condition.field}
			onPick={(key) => {
				setWaiting(null);
				const next = fieldOf(source, key);
				if (next) {
					onChange({ ...newCondition(next, source.taxonomies), ...off });
				}
			}}
		/>
	);
	if (!field) {
		return (
			<div className="grid gap-2">
				<p className="text-secondary">“{condition.field}” is no field any more. Choose another:</p>
				{picker}
			</div>
		);
	}
	const test = waiting ?? condition.test;
	const known = field.tests.find((one) => one.key === test);
	const wants = known?.wantsValue ?? false;
	// While a given value is waited for, nothing is taken from elsewhere.
	const taken = waiting === null ? takenOf(condition) : null;

	const pickTest = async (key: string, anew = false) => {
		const next = field.tests.find((one) => one.key === key);
		// A range begins with what the records hold, so that has to be known first.
		const held = options.data ?? (next?.wantsValue ? (await options.refetch()).data : undefined);
		const had = anew ? undefined : condition.value;
		const value = next?.wantsValue
			? firstValue(field, key, taken && !anew && next.from.includes(taken.from) ? taken : had, held, source.taxonomies)
			: undefined;
		if (next?.wantsValue && value === undefined) {
			setWaiting(key);
			return;
		}
		setWaiting(null);
		onChange({
			field: field.key,
			test: key,
			...(value === undefined ? {} : { value }),
			...(value !== undefined && condition.below && field.family === "terms" ? { below: true } : {}),
			...kept,
		});
	};
	const pickValue = (value: unknown, extra: Partial<Condition> = {}, typing = false) => {
		setWaiting(null);
		onChange({ field: field.key, test: wants ? test : "anyOf", value, ...kept, ...extra }, typing ? tag : null);
	};
	const isNamed = Object.keys(options.data?.choices ?? {}).length > 0;
	const list = { field, condition, wants: wants && taken === null, options: options.data, onPick: pickValue };

	return (
		<div className="grid gap-2.5">
			<div className="flex flex-wrap items-center gap-2">
				{picker}
				<select
					className="select select-sm w-auto max-w-48"
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
				{wants && taken === null && (
					<Value field={field} test={test} condition={condition} options={options.data} onPick={pickValue} />
				)}
			</div>
			{taken === null && (field.family === "choice" || field.family === "choices") && (
				<Chips {...list} choices={field.choices} />
			)}
			{taken === null && field.family === "terms" && <TermList {...list} />}
			{taken === null && (field.family === "items" || field.family === "person") && (wants || isNamed) && (
				<Linked {...list} />
			)}
			{taken === null && wants && ["anyOf", "noneOf"].includes(test) && ["text", "longText"].includes(field.family) && (
				<Texts {...list} />
			)}
			{taken === null && test === "related" && <Chips {...list} choices={field.choices} />}
			{field.family === "words" && condition.value !== undefined && (
				<LooksIn
					field={field}
					condition={condition}
					onPick={(next) => {
						const { in: _, ...rest } = condition;
						onChange(next === undefined ? rest : { ...rest, in: next });
					}}
				/>
			)}
			{known && wants && (
				<Taken
					field={field}
					test={known}
					condition={condition}
					now={taken}
					onPick={(value, extra) => pickValue(value, { ...extra, ...(condition.below ? { below: true } : {}) })}
					onGiven={() => void pickTest(test, true)}
				/>
			)}
			{waiting !== null && <p className="text-quiet text-[0.8rem]">The rule changes as soon as a value is given.</p>}
			<p className="text-quiet text-[0.8rem] min-h-5">
				{options.data &&
					options.data.empty > 0 &&
					`${options.data.empty} of those that reach this rule have no ${field.label.toLowerCase()}.`}
			</p>
		</div>
	);
}

/**
 * What a newly chosen test compares with: what was there where it fits, else something right; nothing where only
 * the manager can say.
 */
function firstValue(
	field: Field,
	test: string,
	had: unknown,
	options: Options | undefined,
	taxonomies: string[],
): unknown {
	if (had && typeof had === "object" && "from" in had) {
		return had;
	}
	const bars = options?.bars ?? [];
	switch (field.family) {
		case "number": {
			const low = Number(bars[0]?.from ?? 0);
			const high = Number(bars.at(-1)?.to ?? low);
			if (test === "between") {
				return Array.isArray(had) ? had : typeof had === "number" ? [had, Math.max(had, high)] : [low, high];
			}
			return typeof had === "number" ? had : Array.isArray(had) ? had[0] : low;
		}
		case "date":
		case "instant":
			return firstDayValue(field, test, had);
		case "identity":
			return test === "related" ? (Array.isArray(had) ? had : taxonomies) : undefined;
		case "text":
		case "longText":
		case "words":
			return ["anyOf", "noneOf"].includes(test)
				? Array.isArray(had)
					? had
					: typeof had === "string"
						? [had]
						: undefined
				: typeof had === "string"
					? had
					: undefined;
		default:
			return Array.isArray(had) && had.length > 0 ? had : undefined;
	}
}

function Value({
	field,
	test,
	condition,
	options,
	onPick,
}: {
	field: Field;
	test: string;
	condition: Condition;
	options: Options | undefined;
	onPick: (value: unknown, extra?: Partial<Condition>, typing?: boolean) => void;
}) {
	if (field.family === "number") {
		return (
			<NumberValue
				field={field}
				test={test}
				value={condition.value}
				options={options}
				onPick={(value, typing) => onPick(value, {}, typing)}
			/>
		);
	}
	if (field.family === "date" || field.family === "instant") {
		return (
			<DayValue
				field={field}
				test={test}
				condition={condition}
				options={options}
				onPick={(value, typing) => onPick(value, {}, typing)}
			/>
		);
	}
	if (["text", "longText", "words"].includes(field.family) && !["anyOf", "noneOf"].includes(test)) {
		return (
			<TextInput
				label={field.family === "words" ? "Words; * at the end of a word stands for any ending" : "Text"}
				value={typeof condition.value === "string" ? condition.value : ""}
				onChange={(next) => onPick(next, {}, true)}
			/>
		);
	}
	return null;
}

function NumberValue({
	field,
	test,
	value,
	options,
	onPick,
}: {
	field: Field;
	test: string;
	value: unknown;
	options: Options | undefined;
	onPick: (value: unknown, typing?: boolean) => void;
}) {
	const round = (number: number | string) => Number(Number(number).toPrecision(3));
	const say = (number: number | string) => `${round(number)}${field.unit ? ` ${field.unit}` : ""}`;
	if (test === "between") {
		const [from, to] = (Array.isArray(value) ? value : [0, 0]) as [number, number];
		return (
			<div className="grid gap-2 basis-full">
				<span className="flex flex-wrap items-center gap-2">
					<NumberInput label="From" value={from} onChange={(next) => next <= to && onPick([next, to], true)} />
					and
					<NumberInput label="To" value={to} onChange={(next) => next >= from && onPick([from, next], true)} />
					{field.unit}
				</span>
				<Bars
					options={options}
					say={say}
					inside={(low, high) => Number(high) >= from && Number(low) <= to}
					onPick={(low, high) => onPick([round(low), round(high)])}
				/>
			</div>
		);
	}
	const given = typeof value === "number" ? value : 0;
	return (
		<div className="grid gap-2 basis-full">
			<span className="flex flex-wrap items-center gap-2">
				<NumberInput label="Value" value={given} onChange={(next) => onPick(next, true)} />
				{field.unit}
			</span>
			<Bars
				options={options}
				say={say}
				inside={(low, high) =>
					test.startsWith("lt")
						? Number(low) <= given
						: test.startsWith("gt")
							? Number(high) >= given
							: Number(low) <= given && given <= Number(high)
				}
				onPick={(low) => onPick(round(low))}
			/>
		</div>
	);
}
