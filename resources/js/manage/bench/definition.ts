import type { Condition, Definition, Field, Group, Rule } from "../shared/api/schema";

/** The joins of a group. */
export type Join = Exclude<keyof Group, "off">;

type Steps = (string | number)[];

function steps(path: string): Steps {
	return [...path.matchAll(/([^.[\]]+)|\[(\d+)\]/g)].map((found) =>
		found[2] === undefined ? (found[1] ?? "") : Number(found[2]),
	);
}

/** The value at a place of a definition, such as `where.all[0].value`. */
export function at<T>(data: unknown, path: string): T {
	let here: unknown = data;
	for (const step of steps(path)) {
		here = (here as Record<string | number, unknown> | undefined)?.[step];
	}
	return here as T;
}

function put(data: unknown, way: Steps, value: unknown): unknown {
	const [step, ...rest] = way;
	if (step === undefined) {
		return value;
	}
	if (Array.isArray(data)) {
		const copy = [...data];
		copy[step as number] = put(copy[step as number], rest, value);
		return copy;
	}
	const copy = { ...(data as Record<string, unknown>) };
	const next = put(copy[step as string], rest, value);
	if (next === undefined) {
		delete copy[step as string];
	} else {
		copy[step as string] = next;
	}
	return copy;
}

/** A copy with another value at the place; `undefined` removes the key. */
export function withAt<T>(data: T, path: string, value: unknown): T {
	return put(data, steps(path), value) as T;
}

export function isGroup(rule: Rule): rule is Group {
	return "all" in rule || "any" in rule || "none" in rule;
}

export function joinOf(group: Group): Join {
	return group.any ? "any" : group.none ? "none" : "all";
}

export function members(group: Group): Rule[] {
	return group[joinOf(group)] ?? [];
}

export function withMembers(group: Group, next: Rule[]): Group {
	return { ...group, [joinOf(group)]: next };
}

export function withJoin(group: Group, join: Join): Group {
	return { [join]: members(group), ...(group.off ? { off: true } : {}) };
}

/** The definition with changed conditions; without any, `where` is removed. */
export function withWhere(definition: Definition, where: Group): Definition {
	const { where: _, ...rest } = definition;
	return members(where).length === 0 ? rest : { ...rest, where };
}

/** The default condition of a new rule on the field; its value may be missing. */
export function newCondition(field: Field): Condition {
	const { test, value } = field.usual;
	return { field: field.key, test, ...(value === null ? {} : { value }) };
}

/** True if the condition needs a value that only a person can give. */
export function isUnfinished(condition: Condition, field: Field | undefined): boolean {
	const test = field?.tests.find((one) => one.key === condition.test);
	return test?.wantsValue === true && condition.value === undefined;
}

/** A complete condition on the field: the default one, or "is filled" if that needs a value. */
export function finishedCondition(field: Field): Condition {
	return field.usual.isComplete ? newCondition(field) : { field: field.key, test: "filled" };
}
