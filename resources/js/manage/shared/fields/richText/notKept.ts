import { generateHTML, generateJSON } from "@tiptap/react";
import { extensions } from "./extensions";

/** Elements that only group or style. The editor writes their content without them, and the text reads the same. */
const GROUPING = "div section article span tbody thead tfoot colgroup col p br wbr";

/** Elements that the editor writes under another name. */
const SAME: Record<string, string> = { b: "strong", i: "em", del: "s" };

/** Attributes with a meaning for visitors. */
const SAID = ["lang", "dir"];

/**
 * The elements and attributes that the editor would remove at the first edit. Their names are in the order of their
 * first use. The list is empty if the editor keeps everything.
 */
export function notKept(html: string): string[] {
	const before = counted(html);
	const after = counted(generateHTML(generateJSON(html, extensions), extensions));
	return [...before].filter(([name, number]) => (after.get(name) ?? 0) < number).map(([name]) => name);
}

function counted(html: string): Map<string, number> {
	const found = new Map<string, number>();
	const add = (name: string) => found.set(name, (found.get(name) ?? 0) + 1);
	for (const element of new DOMParser().parseFromString(html, "text/html").body.querySelectorAll("*")) {
		const name = element.localName;
		if (!GROUPING.split(" ").includes(name)) {
			add(SAME[name] ?? name);
		}
		for (const attribute of SAID.filter((one) => element.hasAttribute(one))) {
			add(attribute);
		}
	}
	return found;
}
