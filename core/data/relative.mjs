// Writes relative.json: how far a day lies from today, by language, as messages of ICU's MessageFormat. What they say
// is CLDR's, by Intl.RelativeTimeFormat and Intl.PluralRules (ECMA-402). Run by hand: node core/data/relative.mjs
import { writeFileSync } from "node:fs";

const SAMPLES = [0, 1, 2, 3, 4, 5, 6, 7, 8, 10, 11, 12, 13, 14, 16, 20, 21, 22, 23, 25, 26, 29, 100, 101, 102];
const quoted = (text) => text.replace(/'/g, "''").replace(/[{}#]/g, "'$&'");

function message(language, unit, sign) {
	const relative = new Intl.RelativeTimeFormat(language, { numeric: "always", numberingSystem: "latn" });
	const rules = new Intl.PluralRules(language);
	const forms = new Map();
	for (const n of SAMPLES) {
		const parts = relative.formatToParts(sign * n, unit);
		forms.set(rules.select(n), forms.get(rules.select(n)) ?? around(parts));
	}
	if (!forms.has("other")) {
		forms.set("other", [...forms.values()].at(-1));
	}
	return `{n, plural, ${[...forms].map(([rule, text]) => `${rule} {${text}}`).join(" ")}}`;
}

// The words with # where the number stands.
function around(parts) {
	let text = "";
	let inNumber = false;
	for (const part of parts) {
		if (part.type === "literal") {
			text += quoted(part.value);
			inNumber = false;
		} else if (!inNumber) {
			text += "#";
			inNumber = true;
		}
	}
	return text;
}

const letters = "abcdefghijklmnopqrstuvwxyz";
const codes = [...letters].flatMap((a) => [...letters].map((b) => a + b));
const data = {};
for (const language of Intl.RelativeTimeFormat.supportedLocalesOf(codes)) {
	const auto = new Intl.RelativeTimeFormat(language, { numeric: "auto", numberingSystem: "latn" });
	const near = [-2, -1, 0, 1, 2].filter(
		(n) => !auto.formatToParts(n, "day").some((part) => part.type !== "literal"),
	);
	data[language] = { near: Object.fromEntries(near.map((n) => [n, auto.format(n, "day")])) };
	for (const unit of ["day", "week", "month", "year"]) {
		data[language][unit] = { past: message(language, unit, -1), future: message(language, unit, 1) };
	}
}
writeFileSync(new URL("relative.json", import.meta.url), `${JSON.stringify(data, null, "\t")}\n`);
