import type { Condition, Field, Options } from "../../../shared/api/schema";
import { NumberInput } from "../../../shared/controls/NumberInput";
import { useRuleName } from "../ruleName";
import { Bars } from "./Bars";

export interface Length {
	amount: number;
	unit: string;
}

const UNITS = ["minutes", "hours", "days", "weeks", "months", "years"];
const STRETCHES = ["day", "week", "month", "year"];

/** The default value of a date test. */
export function firstDayValue(field: Field, test: string, had: unknown): unknown {
	const today = new Date().toISOString().slice(0, 10);
	const day = typeof had === "string" && /^\d{4}/.test(had) ? had.slice(0, 10) : today;
	switch (test) {
		case "inNext":
		case "inLast":
			return had && typeof had === "object" && "amount" in had ? had : { amount: 30, unit: "days" };
		case "current":
		case "previous":
		case "following":
			return typeof had === "string" && STRETCHES.includes(had) ? had : "month";
		case "between":
			return Array.isArray(had) && field.family !== "number" ? had : [day, day];
		default:
			return day;
	}
}

/** The value of a date test: a day, two days, a duration, or a calendar unit. */
export function DayValue({
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
	onPick: (value: unknown, typing?: boolean) => void;
}) {
	const named = useRuleName();
	const value = condition.value;
	const say = (day: number | string) =>
		new Date(`${day}T12:00:00Z`).toLocaleDateString(undefined, { day: "numeric", month: "short", year: "2-digit" });
	if (test === "inNext" || test === "inLast") {
		const length = (value && typeof value === "object" ? value : { amount: 30, unit: "days" }) as Length;
		const units = field.family === "instant" ? UNITS : UNITS.slice(2);
		return (
			<span className="flex flex-wrap items-center gap-2">
				<NumberInput
					label={named("how many")}
					value={length.amount}
					min={1}
					max={500}
					whole
					className="w-20"
					onChange={(amount) => onPick({ ...length, amount }, true)}
				/>
				<select
					className="select select-sm w-auto"
					aria-label={named("unit")}
					value={length.unit}
					onChange={(event) => onPick({ ...length, unit: event.target.value })}
				>
					{units.map((one) => (
						<option key={one}>{one}</option>
					))}
				</select>
			</span>
		);
	}
	if (test === "current" || test === "previous" || test === "following") {
		return (
			<select
				className="select select-sm w-auto"
				aria-label={named("period")}
				value={String(value)}
				onChange={(event) => onPick(event.target.value)}
			>
				{STRETCHES.map((one) => (
					<option key={one} value={one}>
						{one === "day" ? { current: "today", previous: "yesterday", following: "tomorrow" }[test] : one}
					</option>
				))}
			</select>
		);
	}
	if (test === "between") {
		const [from, to] = (Array.isArray(value) ? value : ["", ""]) as [string, string];
		return (
			<div className="grid gap-2 basis-full">
				<span className="flex flex-wrap items-center gap-2">
					<Day label={named("from")} value={from} onChange={(next) => next <= to && onPick([next, to], true)} />
					and
					<Day label={named("to")} value={to} onChange={(next) => next >= from && onPick([from, next], true)} />
				</span>
				<Bars
					options={options}
					say={say}
					inside={(low, high) => String(high) >= from && String(low) <= to}
					onPick={(low, high) => onPick([String(low), String(high)])}
				/>
			</div>
		);
	}
	return (
		<div className="grid gap-2 basis-full">
			<Day
				label={named("day")}
				value={typeof value === "string" ? value : ""}
				onChange={(next) => onPick(next, true)}
			/>
			<Bars
				options={options}
				say={say}
				inside={(low, high) =>
					test === "before"
						? String(high) < String(value)
						: test === "after"
							? String(low) > String(value)
							: String(low) <= String(value) && String(high) >= String(value)
				}
				onPick={(low) => onPick(String(low))}
			/>
		</div>
	);
}

function Day({ label, value, onChange }: { label: string; value: string; onChange: (next: string) => void }) {
	return (
		<input
			type="date"
			className="input input-sm w-auto"
			aria-label={label}
			value={value.length >= 10 ? value.slice(0, 10) : value.padEnd(10, "-01")}
			onChange={(event) => /^\d{4}-\d{2}-\d{2}$/.test(event.target.value) && onChange(event.target.value)}
		/>
	);
}
