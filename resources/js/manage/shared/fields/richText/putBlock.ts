import { NodeSelection, TextSelection } from "@tiptap/pm/state";
import type { Content, Editor } from "@tiptap/react";

/** Inserts a block. A block that is selected is not replaced, neither by this one nor by what is typed next. */
export function putBlock(editor: Editor, content: Content): void {
	leaveBlock(editor);
	editor.chain().focus().insertContent(content).run();
	leaveBlock(editor);
}

/** Moves the cursor from a selected block into the paragraph after it, which is added if there is none. */
export function leaveBlock(editor: Editor): void {
	const { state } = editor;
	if (!(state.selection instanceof NodeSelection)) {
		return;
	}
	const { to, $to } = state.selection;
	const change = state.tr;
	if (!$to.nodeAfter?.isTextblock && state.schema.nodes.paragraph) {
		change.insert(to, state.schema.nodes.paragraph.create());
	}
	editor.view.dispatch(change.setSelection(TextSelection.create(change.doc, to + 1)));
}
