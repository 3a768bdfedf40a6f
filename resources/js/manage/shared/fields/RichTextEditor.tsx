import Image from "@tiptap/extension-image";
import { type Editor, EditorContent, useEditor, useEditorState } from "@tiptap/react";
import StarterKit from "@tiptap/starter-kit";
import { useEffect, useRef, useState } from "react";
import { MediaPicker } from "../MediaPicker";
import { IntroductionEnd, introductionEnd, putIntroductionEnd, removeIntroductionEnd } from "./introductionEnd";

/** Text with markup, written as it will read. The HTML itself can be seen and mended. */
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
	const [asHtml, setAsHtml] = useState(false);
	const [picking, setPicking] = useState(false);
	const last = useRef(value);
	const editor = useEditor({
		extensions: [StarterKit.configure({ link: { openOnClick: false }, codeBlock: false }), Image, IntroductionEnd],
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
		},
		onUpdate: ({ editor: now }) => {
			last.current = now.isEmpty ? "" : now.getHTML();
			onChange(last.current === "" ? null : last.current);
		},
	});
	useEffect(() => {
		if (editor && value !== last.current) {
			last.current = value;
			editor.commands.setContent(value, { emitUpdate: false });
		}
	}, [editor, value]);
	return (
		<div className="editor border border-[#8b9a9c] rounded-field bg-base-100 focus-within:outline-2 focus-within:outline-secondary focus-within:outline-offset-2">
			<div
				role="toolbar"
				aria-label={`How ${label} is written`}
				className="editor-tools flex flex-wrap gap-1 border-b border-base-300 px-2 py-1"
			>
				{editor && !asHtml && <Tools editor={editor} onPicture={() => setPicking(true)} />}
				<span className="grow" />
				<button type="button" className="tool" aria-pressed={asHtml} onClick={() => setAsHtml(!asHtml)}>
					HTML
				</button>
			</div>
			{asHtml ? (
				<textarea
					aria-label={`${label} as HTML`}
					className="textarea w-full min-h-40 font-mono text-[0.85rem] border-0"
					value={value}
					onChange={(event) => onChange(event.target.value || null)}
				/>
			) : (
				<EditorContent editor={editor} />
			)}
			{picking && (
				<MediaPicker
					kind="picture"
					onClose={() => setPicking(false)}
					onPick={(media) => {
						setPicking(false);
						const picture = media[0];
						if (picture) {
							editor?.chain().focus().setImage({ src: picture.url, alt: picture.alt }).run();
						}
					}}
				/>
			)}
		</div>
	);
}

function Tools({ editor, onPicture }: { editor: Editor; onPicture: () => void }) {
	const on = useEditorState({
		editor,
		selector: ({ editor: now }) => ({
			strong: now.isActive("bold"),
			emphasis: now.isActive("italic"),
			heading: now.isActive("heading", { level: 3 }),
			list: now.isActive("bulletList"),
			numbers: now.isActive("orderedList"),
			quote: now.isActive("blockquote"),
			link: now.isActive("link"),
			introduction: introductionEnd(now) !== null,
		}),
	});
	const [linking, setLinking] = useState<string | null>(null);
	const tool = (label: string, pressed: boolean, run: () => void) => (
		<button type="button" className="tool" aria-pressed={pressed} onClick={run}>
			{label}
		</button>
	);
	return (
		<>
			{tool("Strong", on.strong, () => editor.chain().focus().toggleBold().run())}
			{tool("Emphasis", on.emphasis, () => editor.chain().focus().toggleItalic().run())}
			{tool("Heading", on.heading, () => editor.chain().focus().toggleHeading({ level: 3 }).run())}
			{tool("List", on.list, () => editor.chain().focus().toggleBulletList().run())}
			{tool("Numbers", on.numbers, () => editor.chain().focus().toggleOrderedList().run())}
			{tool("Quote", on.quote, () => editor.chain().focus().toggleBlockquote().run())}
			{tool("Link", on.link, () => setLinking(String(editor.getAttributes("link").href ?? "https://")))}
			{tool("Picture", false, onPicture)}
			{tool("End of the introduction", on.introduction, () => putIntroductionEnd(editor))}
			{on.introduction && tool("Remove that line", false, () => removeIntroductionEnd(editor))}
			{linking !== null && (
				<span className="flex items-center gap-1 basis-full py-1">
					<input
						type="text"
						className="input input-sm grow"
						aria-label="Where the link leads"
						value={linking}
						// biome-ignore lint/a11y/noAutofocus: it stands where the manager asked for it
						autoFocus
						onChange={(event) => setLinking(event.target.value)}
						onKeyDown={(event) => {
							if (event.key === "Enter") {
								event.preventDefault();
								editor.chain().focus().extendMarkRange("link").setLink({ href: linking }).run();
								setLinking(null);
							}
						}}
					/>
					<button
						type="button"
						className="btn btn-sm"
						onClick={() => {
							editor.chain().focus().extendMarkRange("link").setLink({ href: linking }).run();
							setLinking(null);
						}}
					>
						Link
					</button>
					<button
						type="button"
						className="btn btn-sm btn-ghost"
						onClick={() => {
							editor.chain().focus().extendMarkRange("link").unsetLink().run();
							setLinking(null);
						}}
					>
						No link
					</button>
				</span>
			)}
		</>
	);
}
