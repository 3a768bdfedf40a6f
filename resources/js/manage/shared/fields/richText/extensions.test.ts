// @vitest-environment jsdom
import { Editor } from "@tiptap/react";
import { expect, test } from "vitest";
import { extensions } from "./extensions";
import { notKept } from "./notKept";
import { putBlock } from "./putBlock";
import { putTable, TABLE_TOOLS } from "./tables";

function open(content: string): Editor {
	return new Editor({ extensions, content });
}

test("a table is written as the site keeps it, and its rows and columns can be added and deleted", () => {
	const editor = open("<p>Beds</p>");
	putTable(editor);
	expect(editor.getHTML()).toMatch(
		/<table><tbody><tr>(<th><p><\/p><\/th>){3}<\/tr>(<tr>(<td><p><\/p><\/td>){3}<\/tr>){2}/,
	);
	const use = (label: string) => TABLE_TOOLS.find(([one]) => one === label)?.[1](editor);
	use("Add a row");
	use("Delete the column");
	expect(editor.getHTML().match(/<tr>/g)).toHaveLength(4);
	expect(editor.getHTML().match(/<t[hd]>/g)).toHaveLength(8);
	use("Heading row on or off");
	expect(editor.getHTML()).not.toContain("<th>");
	use("Delete the table");
	expect(editor.getHTML()).not.toContain("<table>");
});

test("joined cells and films are kept as they were", () => {
	const table = '<table><tbody><tr><th colspan="2" scope="col"><p>Bed</p></th></tr></tbody></table>';
	expect(open(table).getHTML()).toContain(table);
	const film = '<video src="/media/walk.mp4" title="A walk" controls="" playsinline="" preload="metadata"></video>';
	expect(open(film).getHTML()).toContain(film);
});

test("a film that is selected is not replaced by what is added or typed next", () => {
	const editor = open("<p>Walks</p>");
	editor.commands.setTextSelection(6);
	putBlock(editor, { type: "film", attrs: { src: "/media/walk.mp4" } });
	editor.view.dispatch(editor.state.tr.insertText("Then"));
	editor.commands.setNodeSelection(7);
	putTable(editor);
	expect(editor.getHTML()).toMatch(/^<p>Walks<\/p><video [^>]*><\/video>.*<p>Then<\/p>/);
	expect(editor.getHTML()).toContain("<table>");
});

test("what an edit would remove from a text is named, and what reads the same is not", () => {
	expect(notKept("<p>One <b>two</b> <i>three</i></p><div><span>four</span></div><ul><li>five</li></ul>")).toEqual([]);
	expect(
		notKept('<table><caption>Beds</caption><tr><td>Rose</td></tr></table><p lang="la">Rosa <abbr>sp.</abbr></p>'),
	).toEqual(["caption", "lang", "abbr"]);
});
