import { type Editor, mergeAttributes, Node } from "@tiptap/react";

/**
 * The line that ends the introduction of a text; excerpts stop there. Authors see it and can drag it; visitors do not
 * see it.
 */
export const IntroductionEnd = Node.create({
	name: "introductionEnd",
	group: "block",
	atom: true,
	draggable: true,
	selectable: true,
	// Before the plain line, which is an hr as well.
	priority: 200,
	parseHTML: () => [{ tag: "hr[data-introduction]", priority: 100 }],
	renderHTML: ({ HTMLAttributes }) => ["hr", mergeAttributes(HTMLAttributes, { "data-introduction": "" })],
});

/** The position of the line in the document; null if the text has none. */
export function introductionEnd(editor: Editor): number | null {
	let found: number | null = null;
	editor.state.doc.descendants((node, at) => {
		if (node.type.name === IntroductionEnd.name) {
			found = at;
		}
		return found === null;
	});
	return found;
}

/** Puts the line after the paragraph with the cursor, and removes it from its old position. */
export function putIntroductionEnd(editor: Editor): void {
	const { $to } = editor.state.selection;
	// After the outermost block, so that it does not split a list or a quotation.
	let to = $to.depth === 0 ? $to.pos : $to.after(1);
	const was = introductionEnd(editor);
	const change = editor.state.tr;
	if (was !== null) {
		change.delete(was, was + 1);
		to = change.mapping.map(to);
	}
	const line = editor.schema.nodes[IntroductionEnd.name];
	if (line) {
		editor.view.dispatch(change.insert(to, line.create()));
		editor.view.focus();
	}
}

export function removeIntroductionEnd(editor: Editor): void {
	const at = introductionEnd(editor);
	if (at !== null) {
		editor.view.dispatch(editor.state.tr.delete(at, at + 1));
		editor.view.focus();
	}
}
