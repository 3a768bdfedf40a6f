import { Table, TableCell, TableHeader, TableRow } from "@tiptap/extension-table";
import { type Editor, mergeAttributes } from "@tiptap/react";
import { leaveBlock } from "./putBlock";

/** A cell's attributes in HTML: a span of 1 is omitted, and widths are left to the site. */
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
		// TipTap's own view sets widths as inline styles.
	}).configure({ resizable: false, View: null }),
	TableRow,
	TableHeader.extend({ addAttributes: cellAttributes }),
	TableCell.extend({ addAttributes: cellAttributes }),
];

/** Inserts a table of three rows and three columns after the cursor, with a heading row. */
export function putTable(editor: Editor): void {
	leaveBlock(editor);
	editor.chain().focus().insertTable({ rows: 3, cols: 3, withHeaderRow: true }).run();
}

/** The actions for the table at the cursor: labels and commands, in the order of the buttons. */
export const TABLE_TOOLS: [string, (editor: Editor) => void][] = [
	["Add a row", (editor) => editor.chain().focus().addRowAfter().run()],
	["Add a column", (editor) => editor.chain().focus().addColumnAfter().run()],
	["Delete the row", (editor) => editor.chain().focus().deleteRow().run()],
	["Delete the column", (editor) => editor.chain().focus().deleteColumn().run()],
	["Heading row on or off", (editor) => editor.chain().focus().toggleHeaderRow().run()],
	["Delete the table", (editor) => editor.chain().focus().deleteTable().run()],
];
