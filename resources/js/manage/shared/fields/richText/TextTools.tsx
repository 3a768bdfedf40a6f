import { type Editor, useEditorState } from "@tiptap/react";
import { useState } from "react";
import { useStart } from "../../api/start";
import { introductionEnd, putIntroductionEnd, removeIntroductionEnd } from "./introductionEnd";
import { putTable, TABLE_TOOLS } from "./tables";

/** The toolbar of a text. */
export function TextTools({ editor, onPick }: { editor: Editor; onPick: (kind: "picture" | "video") => void }) {
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
			table: now.isActive("table"),
			introduction: introductionEnd(now) !== null,
		}),
	});
	const [asks, setAsks] = useState<"link" | "film" | null>(null);
	const tool = (label: string, pressed: boolean, run: () => void) => (
		<button type="button" className="tool" aria-pressed={pressed} onClick={run}>
			{label}
		</button>
	);
	const action = (label: string, run: () => void) => (
		<button key={label} type="button" className="tool" onClick={run}>
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
			{tool("Link", on.link, () => setAsks(asks === "link" ? null : "link"))}
			{action("Picture", () => onPick("picture"))}
			{action("Film", () => setAsks(asks === "film" ? null : "film"))}
			{!on.table && action("Table", () => putTable(editor))}
			{tool("End of the introduction", on.introduction, () => putIntroductionEnd(editor))}
			{on.introduction && action("Remove that line", () => removeIntroductionEnd(editor))}
			{on.table && (
				<fieldset className="flex flex-wrap items-center gap-1 basis-full border-t border-base-300 pt-1">
					<legend className="sr-only">Table</legend>
					{TABLE_TOOLS.map(([label, run]) => action(label, () => run(editor)))}
				</fieldset>
			)}
			{asks === "link" && <AskLink editor={editor} onClose={() => setAsks(null)} />}
			{asks === "film" && <AskFilm editor={editor} onFile={() => onPick("video")} onClose={() => setAsks(null)} />}
		</>
	);
}

function AskLink({ editor, onClose }: { editor: Editor; onClose: () => void }) {
	const [address, setAddress] = useState(() => String(editor.getAttributes("link").href ?? "https://"));
	const around = () => editor.chain().focus().extendMarkRange("link");
	const link = () => {
		around().setLink({ href: address }).run();
		onClose();
	};
	return (
		<span className="flex items-center gap-1 basis-full py-1">
			<AddressInput label="Where the link leads" value={address} onChange={setAddress} onEnter={link} />
			<button type="button" className="btn btn-sm" onClick={link}>
				Link
			</button>
			<button
				type="button"
				className="btn btn-sm btn-ghost"
				onClick={() => {
					around().unsetLink().run();
					onClose();
				}}
			>
				No link
			</button>
		</span>
	);
}

/** A video is a file of the site, or a link in a separate paragraph, which the page replaces with a player. */
function AskFilm({ editor, onFile, onClose }: { editor: Editor; onFile: () => void; onClose: () => void }) {
	const { videoSites } = useStart().site;
	const [address, setAddress] = useState("");
	const isAddress = /^https:\/\/\S+\.\S+/.test(address.trim());
	const put = () => {
		if (isAddress) {
			const text = { type: "text", text: address.trim(), marks: [{ type: "link", attrs: { href: address.trim() } }] };
			editor
				.chain()
				.focus()
				.insertContent([{ type: "paragraph", content: [text] }, { type: "paragraph" }])
				.run();
			onClose();
		}
	};
	return (
		<span className="grid gap-1 basis-full py-1">
			<span className="flex flex-wrap items-center gap-1">
				<button
					type="button"
					className="btn btn-sm"
					onClick={() => {
						onClose();
						onFile();
					}}
				>
					Choose a file
				</button>
				<span className="text-quiet">or</span>
				<AddressInput
					label="Address of a film on another site"
					value={address}
					onChange={setAddress}
					onEnter={put}
					describedBy="film-hint"
				/>
				<button type="button" className="btn btn-sm" disabled={!isAddress} onClick={put}>
					Add
				</button>
			</span>
			<span id="film-hint" className="text-quiet text-sm">
				{videoSites.length === 0
					? "The settings name no site whose films play here, so an address becomes a link."
					: `Films of ${new Intl.ListFormat("en").format(videoSites)} play in the text. Any other address becomes a link.`}
			</span>
		</span>
	);
}

function AddressInput({
	label,
	value,
	onChange,
	onEnter,
	describedBy,
}: {
	label: string;
	value: string;
	onChange: (value: string) => void;
	onEnter: () => void;
	describedBy?: string;
}) {
	return (
		<input
			type="text"
			className="input input-sm grow min-w-40"
			aria-label={label}
			placeholder={label}
			aria-describedby={describedBy}
			value={value}
			// biome-ignore lint/a11y/noAutofocus: it stands where the manager asked for it
			autoFocus
			onChange={(event) => onChange(event.target.value)}
			onKeyDown={(event) => {
				if (event.key === "Enter") {
					event.preventDefault();
					onEnter();
				}
			}}
		/>
	);
}
