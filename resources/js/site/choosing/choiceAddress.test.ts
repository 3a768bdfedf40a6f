// @vitest-environment jsdom
import { expect, test } from "vitest";
import { addressOf } from "./choiceAddress";

function form(controls: string): HTMLFormElement {
	document.body.innerHTML = `<form action="https://garden.example/shop?old=1#results">${controls}</form>`;
	return document.querySelector("form") as HTMLFormElement;
}

const option = (name: string, value: string, isChosen: boolean) =>
	`<input type="checkbox" name="${name}" value="${value}" ${isChosen ? "checked" : ""}>`;

test("nothing chosen is the page's own address", () => {
	expect(addressOf(form(option("light", "shade", false)))).toBe("https://garden.example/shop");
});

test("options of one filter are joined by commas, filters by &", () => {
	const controls = option("light", "shade", true) + option("light", "sun", false) + option("light", "half", true);
	expect(addressOf(form(`${controls}<input name="search" value="fern & moss">`))).toBe(
		"https://garden.example/shop?light=shade,half&search=fern%20%26%20moss",
	);
});

test("a range has two ends, of which one may be open; a range that says nothing is left out", () => {
	const range = (from: string, to: string) =>
		`<input type="number" name="price" value="${from}"><input type="number" name="price" value="${to}">`;
	expect(addressOf(form(range("3", "9.5")))).toBe("https://garden.example/shop?price=3..9.5");
	expect(addressOf(form(range("", "9")))).toBe("https://garden.example/shop?price=..9");
	expect(addressOf(form(range("3", "")))).toBe("https://garden.example/shop?price=3..");
	expect(addressOf(form(range("", "")))).toBe("https://garden.example/shop");
});

test("a distance counts only with a point", () => {
	const near = (point: string) =>
		`<select name="near" data-point><option value="${point}" selected></option></select>` +
		'<select name="near" data-distance><option value="25" selected></option></select>';
	expect(addressOf(form(near("york")))).toBe("https://garden.example/shop?near=york,25");
	expect(addressOf(form(near("")))).toBe("https://garden.example/shop");
});
