import { EditorContent, useEditor } from "@tiptap/react";
import { useEffect, useRef, useState } from "react";
import { MediaPicker } from "../../files/MediaPicker";
import { extensions } from "./extensions";
import { notKept } from "./notKept";
import { cleanPasted } from "./pastedHtml";
import { putBlock } from "./putBlock";
import { TextPreview } from "./TextPreview";
import { TextTools } from "./TextTools";

/** The editor of texts with markup, which shows the text as it will look. The HTML can be edited as well. */
export default function RichTextEditor({
	id,
	label,
	value,
	onChange,
}: {
	id: string;
	label: string;
	value: string;
	onChange: (value: string | null) => void;
}) {
	const [removes, setRemoves] = useState(() => notKept(value));
	const [asHtml, setAsHtml] = useState(removes.length > 0);
	const [picking, setPicking] = useState<"picture" | "video" | null>(null);
	const [previews, setPreviews] = useState(false);
	const [missing, setMissing] = useState(0);
	const last = useRef(value);
	const editor = useEditor({
		extensions,
		content: value,
		injectNonce: document.querySelector<HTMLMetaElement>("meta[property=csp-nonce]")?.nonce,
		editorProps: {
			attributes: {
				role: "textbox",
				"aria-multiline": "true",
				"aria-label": label,
				id: `${id}-text`,
				class: "rich min-h-40 px-3.5 py-2.5 outline-none",
			},
			transformPastedHTML: (html) => {
				const pasted = cleanPasted(html);
				setMissing(pasted.pictures);
				return pasted.html;
			},
		},
		onUpdate: ({ editor: now }) => {
			last.current = now.isEmpty ? "" : now.getHTML();
			onChange(last.current === "" ? null : last.current);
			setRemoves([]);
		},
	});
	useEffect(() => {
		if (editor && value !== last.current) {
			last.current = value;
			editor.commands.setContent(value, { emitUpdate: false });
			setRemoves(notKept(value));
		}
	}, [editor, value]);
	return (
		<div
			className="editor border border-[#8b9a9c] rounded-field bg-base-100 focus-within:outline-2
			focus-within:outline-secondary focus-within:outline-offset-2"
		>
			<div
				role="toolbar"
				aria-label={`How ${label} is written`}
				className="editor-tools flex flex-wrap gap-1 border-b border-base-300 px-2 py-1"
			>
				{editor && !asHtml && <TextTools editor={editor} onPick={setPicking} />}
				<span className="grow" />
				<button type="button" className="tool" onClick={() => setPreviews(true)}>
					Preview
				</button>
				<button type="button" className="tool" aria-pressed={asHtml} onClick={() => setAsHtml(!asHtml)}>
					HTML
				</button>
			</div>
			{removes.length > 0 && (
				<p className="editor-note" role="status">
					This text has HTML that only the HTML view can edit ({removes.join(", ")}).{" "}
					{!asHtml && "An edit in this view removes it."}
				</p>
			)}
			{missing > 0 && (
				<p className="editor-note" role="status">
					{missing === 1 ? "One picture was" : `${missing} pictures were`} not pasted, because the clipboard does not
					hold the file. Add it with Picture.
				</p>
			)}
			{asHtml ? (
				<textarea
					aria-label={`${label} as HTML`}
					className="textarea w-full min-h-40 font-mono text-sm border-0"
					value={value}
					onChange={(event) => onChange(event.target.value || null)}
				/>
			) : (
				<EditorContent editor={editor} />
			)}
			{picking && (
				<MediaPicker
					kind={picking}
					onClose={() => setPicking(null)}
					onPick={([file]) => {
						setPicking(null);
						if (editor && file) {
							putBlock(
								editor,
								file.kind === "picture"
									? { type: "image", attrs: { src: file.url, alt: file.alt } }
									: { type: "film", attrs: { src: file.url, title: file.title || file.name } },
							);
						}
					}}
				/>
			)}
			{previews && <TextPreview label={label} html={value} onClose={() => setPreviews(false)} />}
		</div>
	);
}
