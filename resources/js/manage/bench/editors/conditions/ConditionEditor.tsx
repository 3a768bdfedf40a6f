import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { post } from "../../../shared/api/api";
import type { Condition, Field } from "../../../shared/api/schema";
import { fieldOf } from "../../../shared/api/start";
import { isUnfinished, newCondition } from "../../definition";
import { useSource } from "../../source";
import { FieldPicker } from "../../stream/FieldPicker";
import type { Bench } from "../../useBench";
import { RuleName } from "../ruleName";
import { Chips, Linked, TermList, Texts } from "../values/ListValue";
import { LooksIn } from "../values/LooksIn";
import { Taken, takenOf } from "../values/Taken";
import { firstValue, Value } from "./ConditionValue";

/** One condition: its field, its test and its value, with counts beside the choices. */
export function ConditionEditor({
	condition: given,
	onChange,
	bench,
	before,
	tag,
	isNew = false,
}: {
	condition: Condition;
	onChange: (next: Condition, tag?: string | null) => void;
	bench: Bench;
	before: string;
	tag: string;
	/** True if the condition is not in the definition yet. */
	isNew?: boolean;
}) {
	const source = useSource();
	// A condition without its value waits here, so that the definition never contains an incomplete one.
	const [waiting, setWaiting] = useState<Condition | null>(
		isUnfinished(given, fieldOf(source, given.field)) ? given : null,
	);
	const condition = waiting ?? given;
	const field = fieldOf(source, condition.field);
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
			post("/bench/options", {
				body: { ...bench.previewContext, definition: bench.definition, field: condition.field, before },
				signal,
			}),
		// The options of the same field before an edit; those of another field would be wrong.
		placeholderData: (last, query) => (query?.queryKey[3] === condition.field ? last : undefined),
		enabled: field !== undefined,
	});
	const off = condition.off ? { off: true } : {};
	const kept = { ...off, ...(condition.in ? { in: condition.in } : {}) };
	const begin = (next: Condition, of: Field) => {
		const isWaiting = isUnfinished(next, of);
		setWaiting(isWaiting ? next : null);
		if (!isWaiting) {
			// A new condition is not added by its test alone, because the person may choose another test next.
			onChange(next, isNew ? tag : null);
		}
	};
	const picker = (
		<FieldPicker
			label={`${field?.label ?? condition.field}, field`}
			value={condition.field}
			onPick={(key) => {
				const next = fieldOf(source, key);
				if (next) {
					begin({ ...newCondition(next), ...off }, next);
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
	const test = condition.test;
	const known = field.tests.find((one) => one.key === test);
	const wants = known?.wantsValue ?? false;
	// While it waits for a fixed value, it offers no values from elsewhere.
	const taken = waiting === null ? takenOf(condition) : null;

	const pickTest = async (key: string, anew = false) => {
		const next = field.tests.find((one) => one.key === key);
		// A range starts with the values of the records, which must be loaded first.
		const held = options.data ?? (next?.wantsValue ? (await options.refetch()).data : undefined);
		const had = anew ? undefined : condition.value;
		const value = next?.wantsValue
			? firstValue(field, key, taken && !anew && next.from.includes(taken.from) ? taken : had, held, source.taxonomies)
			: undefined;
		// The least value is no useful limit, so a new condition waits for a number.
		if (isNew && next?.wantsValue && field.family === "number" && key !== "between" && typeof had !== "number") {
			setWaiting({ field: field.key, test: key, ...kept });
			return;
		}
		begin(
			{
				field: field.key,
				test: key,
				...(value === undefined ? {} : { value }),
				...(value !== undefined && condition.below && field.family === "terms" ? { below: true } : {}),
				...kept,
			},
			field,
		);
	};
	const pickValue = (value: unknown, extra: Partial<Condition> = {}, typing = false) => {
		setWaiting(null);
		onChange({ field: field.key, test: wants ? test : "anyOf", value, ...kept, ...extra }, typing ? tag : null);
	};
	const isNamed = Object.keys(options.data?.choices ?? {}).length > 0;
	const list = { field, condition, wants: wants && taken === null, options: options.data, onPick: pickValue };

	return (
		<RuleName value={`${field.label}, ${known?.words ?? test}`}>
			<div className="grid gap-2.5">
				<div className="flex flex-wrap items-center gap-2">
					{picker}
					<select
						className="select select-sm w-auto max-w-48"
						data-test
						aria-label={`${field.label}, test`}
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
				{taken === null &&
					wants &&
					["anyOf", "noneOf"].includes(test) &&
					["text", "longText"].includes(field.family) && <Texts {...list} />}
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
				{waiting !== null && (
					<p className="text-quiet text-xs">
						{isNew ? "The rule is added when it has a value." : "The rule stays as it was until this one has a value."}
						{!isNew && (
							<button type="button" className="plain-add ml-3" onClick={() => setWaiting(null)}>
								Keep the rule as it was
							</button>
						)}
					</p>
				)}
				<p className="text-quiet text-xs min-h-5">
					{options.data &&
						options.data.empty > 0 &&
						`${options.data.empty} of those that reach this rule have no ${field.label.toLowerCase()}.`}
				</p>
			</div>
		</RuleName>
	);
}
