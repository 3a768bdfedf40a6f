// @vitest-environment jsdom
import { readFileSync } from "node:fs";
import { Editor } from "@tiptap/react";
import { expect, test } from "vitest";
import { extensions } from "./extensions";
import { cleanPasted } from "./pastedHtml";

/** The HTML of the text after the paste. */
function pasted(html: string): string {
	return new Editor({ extensions, content: cleanPasted(html).html }).getHTML();
}

test("a document pasted from LibreOffice keeps its headings, lists and table, and nothing of its looks", () => {
	// The file is HTML of LibreOffice 7.4 from a document that was made for this test.
	const file = readFileSync("tests/Support/pasted-from-libreoffice.html", "utf8");
	expect(pasted(file)).toBe(
		[
			"<h2>Putting the borders to bed</h2>",
			"<p>Cut back <strong>only</strong> what has <em>collapsed</em>; the rest stands until March.</p>",
			"<h3>What to do first</h3>",
			"<ul><li><p>Lift the dahlias</p></li><li><p>Mulch the ferns</p></li></ul>",
			"<ul><li><p>Under glass</p></li></ul>",
			"<ol><li><p>Clean the tools</p></li><li><p>Oil the handles</p></li></ol>",
			"<table><tbody><tr><td><p>Plant</p></td><td><p>Cut back</p></td></tr>",
			"<tr><td><p>Sedum</p></td><td><p>March</p></td></tr>",
			"<tr><td><p>Phlox</p></td><td><p>November</p></td></tr></tbody></table>",
		].join(""),
	);
});

test("lists that a text program writes as paragraphs become lists, nested and numbered as they were", () => {
	// The form of these paragraphs is from memory.
	const item = (level: number, marker: string, words: string) =>
		`<p class="x" style="margin-left:36pt;mso-list:l0 level${level} lfo1"><!--[if !supportLists]--><span
			style="mso-list:Ignore">${marker}<span>&nbsp;&nbsp; </span></span><!--[endif]-->${words}<o:p></o:p></p>`;
	expect(
		pasted(
			`<p>Before</p>${item(1, "·", "Beds")}${item(2, "o", "Rose bed")}${item(2, "o", "Fern bed")}${item(1, "·", "Paths")}
			<p>Between<o:p>&nbsp;</o:p></p>${item(1, "1.", "Dig")}${item(1, "2.", "Plant")}<p><o:p>&nbsp;</o:p></p>`,
		),
	).toBe(
		[
			"<p>Before</p><ul><li><p>Beds</p><ul><li><p>Rose bed</p></li><li><p>Fern bed</p></li></ul></li>",
			"<li><p>Paths</p></li></ul><p>Between</p><ol><li><p>Dig</p></li><li><p>Plant</p></li></ol>",
		].join(""),
	);
});

test("bold and italic written as styles are kept, and a wrapper that only looks bold is not", () => {
	expect(
		pasted(
			`<meta charset="utf-8"><b style="font-weight:normal;"><p><span style="font-weight:700">Frost</span> and
			<span style="font-style:italic">thaw</span> <a name="a">here</a> <a href="https://example.org/">there</a></p></b>`,
		),
	).toMatch(
		/^<p><strong>Frost<\/strong> and <em>thaw<\/em> here <a [^>]*href="https:\/\/example.org\/"[^>]*>there<\/a><\/p>$/,
	);
});

test("pictures that the site could not show are counted and left out", () => {
	const { html, pictures } = cleanPasted(
		'<p>A<img src="file:///C:/a.png"><img src="data:image/png;base64,AAAA"><img src="https://example.org/a.png"></p>',
	);
	expect(pictures).toBe(2);
	expect(html).toBe('<p>A<img src="https://example.org/a.png"></p>');
});
