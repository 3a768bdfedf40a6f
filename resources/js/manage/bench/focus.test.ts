// @vitest-environment jsdom
import { expect, test } from "vitest";
import { controlOf } from "./focus";

const condition = (name: string) =>
	`<input role="combobox" id="${name}-field"><select data-test id="${name}-test"></select><input id="${name}-value">`;

test("a word in a group of groups opens on its own control, not on the first of the rule", () => {
	const editor = document.createElement("section");
	editor.innerHTML = `<select id="join"></select><ul>
		<li data-member=".any[0]">${condition("a")}</li>
		<li data-member=".any[1]"><select id="inner"></select><ul><li data-member=".none[0]">${condition("b")}</li></ul></li>
	</ul>`;
	const at = (place: string) => controlOf(editor, "where.all[1]", `where.all[1]${place}`)?.id;
	expect(at("")).toBe("join");
	expect(at(".any[0].field")).toBe("a-field");
	expect(at(".any[0].value")).toBe("a-value");
	expect(at(".any[1]")).toBe("inner");
	expect(at(".any[1].none[0].test")).toBe("b-test");
	expect(at(".any[1].none[0].value")).toBe("b-value");
});

test("a word of a plain rule opens on what it stands for", () => {
	const editor = document.createElement("section");
	editor.innerHTML = condition("only");
	expect(controlOf(editor, "where.all[0]", "where.all[0].test")?.id).toBe("only-test");
	editor.innerHTML =
		'<select data-word="order[0].by"></select><select id="way" data-word="order[0].direction"></select>';
	expect(controlOf(editor, "order", "order[0].direction")?.id).toBe("way");
});
