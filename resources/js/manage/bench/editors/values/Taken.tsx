import type { Condition, Field, FieldTest } from "../../../shared/api/schema";
import { useStart } from "../../../shared/api/start";
import { useRuleName } from "../ruleName";

interface From {
	from: "page" | "viewer" | "address";
	take?: string;
	of?: string;
	name?: string;
}

export function takenOf(condition: Condition): From | null {
	const value = condition.value;
	return value && typeof value === "object" && !Array.isArray(value) && "from" in value ? (value as From) : null;
}

const TAKES: Record<string, string> = {
	term: "the page’s term",
	item: "the item being shown",
	month: "the page’s month",
	person: "the page’s person",
};

/** The origin of a condition's value: fixed, or from the page, the viewer or the address. */
export function Taken({
	field,
	test,
	condition,
	now,
	onPick,
	onGiven,
}: {
	field: Field;
	test: FieldTest;
	condition: Condition;
	now: From | null;
	onPick: (value: From, extra: Partial<Condition>) => void;
	onGiven: () => void;
}) {
	const named = useRuleName();
	const { types } = useStart();
	if (test.from.length === 0) {
		return null;
	}
	// A field of the page's item with the same kind of value.
	const likes = [
		...new Map(
			types
				.flatMap((type) => type.fields)
				.filter((one) => one.family === field.family)
				.map((one) => [one.key, one.label]),
		),
	];
	const ways: [string, string, From][] = [];
	for (const from of test.from) {
		if (from === "page") {
			for (const take of field.takes) {
				if (take === "item" && field.family !== "items") {
					const of = likes.find(([key]) => key === field.key)?.[0] ?? likes[0]?.[0];
					if (of) {
						ways.push(["item of", "that of the item being shown", { from, take, of }]);
					}
				} else {
					ways.push([take, TAKES[take] ?? take, { from, take }]);
				}
			}
		} else if (from === "viewer") {
			ways.push(["viewer", "whoever has signed in", { from }]);
		} else {
			ways.push(["address", "what the visitor looks for", { from, name: "q" }]);
		}
	}
	const is =
		now === null
			? "given"
			: now.from !== "page"
				? now.from
				: now.of && now.take === "item"
					? "item of"
					: (now.take ?? "");
	const keep = condition.whenMissing ? { whenMissing: condition.whenMissing } : {};
	return (
		<div className="flex flex-wrap items-center gap-2 text-sm">
			<label className="flex items-center gap-2">
				<span className="text-quiet">The value is</span>
				<select
					className="select select-sm w-auto max-w-56"
					aria-label={named("where the value comes from")}
					value={is}
					onChange={(event) => {
						const way = ways.find(([key]) => key === event.target.value);
						way ? onPick(way[2], keep) : onGiven();
					}}
				>
					<option value="given">given here</option>
					{ways.map(([key, words]) => (
						<option key={key} value={key}>
							{words}
						</option>
					))}
				</select>
			</label>
			{now?.take === "item" && now.of && (
				<select
					className="select select-sm w-auto"
					aria-label={named("which value of the item being shown")}
					value={now.of}
					onChange={(event) => onPick({ ...now, of: event.target.value }, keep)}
				>
					{likes.map(([key, label]) => (
						<option key={key} value={key}>
							{label}
						</option>
					))}
				</select>
			)}
			{now !== null && (
				<label className="flex items-center gap-2">
					<span className="text-quiet">where there is none, keep</span>
					<select
						className="select select-sm w-auto"
						aria-label={named("where there is no value")}
						value={condition.whenMissing ?? (now.from === "address" ? "keepAll" : "keepNone")}
						onChange={(event) => onPick(now, { whenMissing: event.target.value as "keepAll" | "keepNone" })}
					>
						<option value="keepNone">nothing</option>
						<option value="keepAll">everything</option>
					</select>
				</label>
			)}
		</div>
	);
}
