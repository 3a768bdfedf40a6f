/*
 * Does one drawn step on a manage screen, as a person would: opens, types, chooses, presses a key. It runs
 * in the page.
 * Arguments: the kind of step, two numbers from 0 to 1, and the callback. Answers with what was done, in words.
 */
const [kind, which, what, done] = arguments;
const LEAVES = new RegExp(
	"publish|^save$|take it off|make it live|sign out|remove the|remove it|delete|bring in|bring back" +
		"|as a file|as text|download|export|view on site|account|shortcuts|new page|history|create|upload" +
		"|a new page for it|compare|versions",
	"i",
);
const isShown = (one) => one.getClientRects().length > 0 && getComputedStyle(one).visibility !== "hidden";
const nameOf = (one) =>
	(one.getAttribute("aria-label") || one.labels?.[0]?.innerText || one.innerText || one.placeholder || one.tagName)
		.trim()
		.replace(/\s+/g, " ")
		.slice(0, 50);
const screens = [...document.querySelectorAll("[role=dialog], main")].filter(isShown);
const within = screens.find((one) => one.matches("[role=dialog]")) ?? screens[0] ?? document.body;
const all = (css) =>
	[...new Set([...within.querySelectorAll(css), ...(screens[0] ?? document.body).querySelectorAll(css)])].filter(
		(one) => isShown(one) && !one.disabled && !one.closest("header, nav, iframe, [inert]"),
	);
const drawn = (list) => list[Math.floor(which * list.length)];
const set = (one, value) => {
	const proto =
		one.tagName === "SELECT" ? HTMLSelectElement : one.tagName === "TEXTAREA" ? HTMLTextAreaElement : HTMLInputElement;
	Object.getOwnPropertyDescriptor(proto.prototype, "value").set.call(one, value);
	one.dispatchEvent(new Event("input", { bubbles: true }));
	one.dispatchEvent(new Event("change", { bubbles: true }));
};
const press = (key, more = {}) => {
	const target = document.activeElement ?? document.body;
	for (const type of ["keydown", "keyup"]) {
		target.dispatchEvent(new KeyboardEvent(type, { key, bubbles: true, cancelable: true, ...more }));
	}
};
const TEXTS = [
	"",
	" ",
	"Fern",
	"/fern",
	"500",
	"-3",
	"7",
	"0.5",
	"a".repeat(400),
	"“Ünïcødé” & <b>",
	"2026-12-01",
	"{group}",
];
const steps = {
	click() {
		const one = drawn(
			all(
				"button, [role=button], [role=tab], [role=option], [role=radio], summary, input[type=checkbox], input[type=radio]",
			).filter((one) => !LEAVES.test(nameOf(one))),
		);
		one?.focus();
		one?.click();
		return one ? `click ${nameOf(one)}` : "nothing to click";
	},
	choose() {
		const one = drawn(all("select"));
		const option = one?.options[Math.floor(what * one.options.length)];
		if (!option || option.disabled) {
			return "nothing to choose";
		}
		set(one, option.value);
		return `choose ${option.text} in ${nameOf(one)}`;
	},
	type() {
		const one = drawn(
			all("input:not([type=checkbox]):not([type=radio]):not([type=file]):not([type=range]):not([readonly]), textarea"),
		);
		const text = TEXTS[Math.floor(what * TEXTS.length)];
		if (!one) {
			return "nothing to type into";
		}
		one.focus();
		set(one, text);
		if (which > 0.5) {
			press("Enter");
		}
		one.blur();
		return `type ${JSON.stringify(text.slice(0, 20))} into ${nameOf(one)}`;
	},
	escape() {
		press("Escape");
		return "press Escape";
	},
	undo() {
		const one = all(what > 0.3 ? "[aria-label=Undo]" : "[aria-label=Redo]")[0];
		one?.click();
		return one ? `click ${nameOf(one)}` : "nothing to undo";
	},
};
const did = steps[kind]();
requestAnimationFrame(() => setTimeout(() => done(did), 30));
