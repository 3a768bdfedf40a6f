// @vitest-environment jsdom
import { Editor } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { expect, test } from "vitest";
import { IntroductionEnd, introductionEnd, putIntroductionEnd, removeIntroductionEnd } from "./introductionEnd";

const LINE = '<hr data-introduction="">';

function open(content: string) {
	return new Editor({ extensions: [StarterKit, IntroductionEnd], content });
}

test("the line that ends the introduction is told from a plain line, and both are kept", () => {
	const editor = open(`<p>One</p>${LINE}<p>Two</p><hr><p>Three</p>`);
	expect(editor.getHTML()).toBe(`<p>One</p>${LINE}<p>Two</p><hr><p>Three</p>`);
	expect(introductionEnd(editor)).toBe(5);
	expect(introductionEnd(open("<p>One</p><hr>"))).toBeNull();
});

test("there is one line: put elsewhere it moves, and it cuts no list in two", () => {
	const editor = open("<p>One</p><ul><li><p>Two</p></li><li><p>Three</p></li></ul><p>Four</p>");
	editor.commands.setTextSelection(2);
	putIntroductionEnd(editor);
	expect(editor.getHTML()).toContain(`<p>One</p>${LINE}<ul>`);
	editor.commands.setTextSelection(10);
	putIntroductionEnd(editor);
	expect(editor.getHTML()).toContain(`</ul>${LINE}<p>Four</p>`);
	expect(editor.getHTML().split(LINE)).toHaveLength(2);
	removeIntroductionEnd(editor);
	expect(editor.getHTML()).not.toContain("data-introduction");
});
