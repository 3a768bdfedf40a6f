/**
 * The control of an open rule for a word of its sentence.
 *
 * @param editor of the rule
 * @param rule its place in the definition, such as `where.all[1]`
 * @param at the word's place, such as `where.all[1].any[0].value`
 */
export function controlOf(editor: HTMLElement, rule: string, at: string): HTMLElement | null {
	const marked = (within: HTMLElement, mark: "word" | "member", value: string) =>
		[...within.querySelectorAll<HTMLElement>(`[data-${mark}]`)].find((one) => one.dataset[mark] === value);
	const own = marked(editor, "word", at);
	if (own) {
		return own;
	}
	const inside = at.startsWith(rule) ? at.slice(rule.length) : "";
	const member = [...inside.matchAll(/\.(?:all|any|none)\[\d+\]/g)].reduce<HTMLElement>(
		(within, [place]) => marked(within, "member", place) ?? within,
		editor,
	);
	const first = (what: string) => member.querySelector<HTMLElement>(what);
	const word = /\.(test|value)$/.exec(at)?.[1];
	return (
		(word === "test" && first("[data-test]")) ||
		(word === "value" && first("input:not([role=combobox]), fieldset button")) ||
		first("input, select, button, textarea")
	);
}
