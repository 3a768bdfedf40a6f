import type { ModuleSummary } from "./api/schema";
import type { Option } from "./fields/PickByTyping";
import { placesWords } from "./placesWords";

/** Options with extra text for those with the same name. */
export function toldApart(options: Option[], apart: (key: string) => string): Option[] {
	const same = (one: Option) => options.filter((other) => other.label === one.label).length > 1;
	return options.map((one) => (same(one) ? { ...one, beside: apart(one.key) } : one));
}

/** Modules to choose from, each with its places; modules with the same places also with their keys. */
export function moduleOptions(modules: ModuleSummary[]): Option[] {
	const options = modules.map((one) => ({ key: one.key, label: one.name, beside: placesWords(one.places) }));
	return options.map((one) =>
		options.filter((other) => other.label === one.label && other.beside === one.beside).length > 1
			? { ...one, beside: `${one.beside} · ${one.key}` }
			: one,
	);
}
