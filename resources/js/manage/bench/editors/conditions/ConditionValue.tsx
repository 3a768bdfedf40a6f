import type { Condition, Field, Options } from "../../../shared/api/schema";
import { TextInput } from "../../../shared/controls/inputs";
import { NumberInput } from "../../../shared/controls/NumberInput";
import { useRuleName } from "../ruleName";
import { Bars } from "../values/Bars";
import { DayValue, firstDayValue } from "../values/DayValue";

/**
 * The value for a newly chosen test: the current one if it fits, otherwise a valid default; nothing if only the manager
 * can give it.
 */
export function firstValue(
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

export function Value({
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
	const named = useRuleName();
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
				label={named(field.family === "words" ? "words; * at the end of a word stands for any ending" : "text")}
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
	const named = useRuleName();
	const round = (number: number | string) => Number(Number(number).toPrecision(3));
	const say = (number: number | string) => `${round(number)}${field.unit ? ` ${field.unit}` : ""}`;
	if (test === "between") {
		const [from, to] = (Array.isArray(value) ? value : [0, 0]) as [number, number];
		return (
			<div className="grid gap-2 basis-full">
				<span className="flex flex-wrap items-center gap-2">
					<NumberInput label={named("from")} value={from} onChange={(next) => next <= to && onPick([next, to], true)} />
					and
					<NumberInput label={named("to")} value={to} onChange={(next) => next >= from && onPick([from, next], true)} />
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
	const given = typeof value === "number" ? value : null;
	return (
		<div className="grid gap-2 basis-full">
			<span className="flex flex-wrap items-center gap-2">
				<NumberInput label={named("value")} value={given} onChange={(next) => onPick(next, true)} />
				{field.unit}
			</span>
			<Bars
				options={options}
				say={say}
				inside={(low, high) =>
					given !== null &&
					(test.startsWith("lt")
						? Number(low) <= given
						: test.startsWith("gt")
							? Number(high) >= given
							: Number(low) <= given && given <= Number(high))
				}
				onPick={(low) => onPick(round(low))}
			/>
		</div>
	);
}
