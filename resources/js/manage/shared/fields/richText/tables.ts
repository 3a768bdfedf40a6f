import { Table, TableCell, TableHeader, TableRow } from "@tiptap/extension-table";
import { type Editor, mergeAttributes } from "@tiptap/react";
import { leaveBlock } from "./putBlock";

/** A cell's attributes as HTML has them: what is 1 is not written, and widths are the site's matter. */
const cellAttributes = () => ({
	colspan: { default: 1, renderHTML: ({ colspan }: { colspan: number }) => (colspan > 1 ? { colspan } : {}) },
	rowspan: { default: 1, renderHTML: ({ rowspan }: { rowspan: number }) => (rowspan > 1 ? { rowspan } : {}) },
	colwidth: { default: null, rendered: false },
	scope: { default: null },
});

/** Tables of a text. They are written without styles and column widths, which texts cannot have. */
export const tables = [
	Table.extend({
		renderHTML: ({ HTMLAttributes }) => ["table", mergeAttributes(HTMLAttributes), ["tbody", 0]],
		// The view of its own sets widths as inline styles.
	}).configure({ resizable: false, View: null }),
	TableRow,
	TableHeader.extend({ addAttributes: cellAttributes }),
	TableCell.extend({ addAttributes: cellAttributes }),
];

/** Puts a table of three rows and three columns after the cursor; its first row is the heading. */
export function putTable(editor: Editor): void {
	leaveBlock(editor);
	editor.chain().focus().insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run();
}

/** What can be done to the table with the cursor: labels and actions, in the order of the buttons. */
export const TABLE_TOOLS: [string, (editor: Editor) => void][] = [
	["Add a row", (editor) => editor.chain().focus().addRowAfter().run()],
	["Add a column", (editor) => editor.chain().focus().addColumnAfter().run()],
	["Delete the row", (editor) => editor.chain().focus().deleteRow().run()],
	["Delete the column", (editor) => editor.chain().focus().deleteColumn().run()],
	["Heading row on or off", (editor) => editor.chain().focus().toggleHeaderRow().run()],
	["Delete the table", (editor) => editor.chain().focus().deleteTable().run()],
];
