/*
 * Writes style sheets into resources/css/generated; `npm run build` begins with it.
 * steps.css: a class for each step that a page can choose, because a page has no styles of its own.
 * arrangements.css, blocks.css: an import of each sheet in the folder of that name.
 */
import { mkdirSync, readdirSync, writeFileSync } from "node:fs";

/** A rule for each number from `from` to `to`: `.name-8 { property: 8unit; }`. */
function steps(name, property, { from = 1, to, by = 1, unit = "" }) {
	const rules = [];
	for (let step = from; step <= to; step += by) {
		rules.push(`.${name}-${step} {\n\t${property}: ${step}${unit};\n}`);
	}
	return rules;
}

const rules = [
	// Columns at each width of the window, at most Arrangement\Columns::MAX.
	...["phone", "tablet", "laptop", "desktop"].flatMap((width) => steps(width, `--${width}`, { to: 12 })),
	// The point of a picture that stays in sight where the picture is cut.
	...steps("focus-x", "--focus-x", { from: 0, to: 100, unit: "%" }),
	...steps("focus-y", "--focus-y", { from: 0, to: 100, unit: "%" }),
	// The share of a slot in its band.
	...steps("share", "flex-grow", { to: 12 }),
	// The marks of a rating.
	...steps("marks", "--marks", { to: 10 }),
	// The width that a card needs.
	...steps("minWidth", "--narrowest", { from: 80, to: 480, by: 20, unit: "px" }),
];
const folder = new URL("./generated/", import.meta.url);
mkdirSync(folder, { recursive: true });
writeFileSync(new URL("steps.css", folder), `${rules.join("\n")}\n`);
for (const kind of ["arrangements", "blocks"]) {
	const sheets = readdirSync(new URL(`./site/${kind}/`, import.meta.url)).sort();
	const imports = sheets.map((sheet) => `@import "../site/${kind}/${sheet}";\n`);
	writeFileSync(new URL(`${kind}.css`, folder), imports.join(""));
}
