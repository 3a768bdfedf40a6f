import { mergeAttributes, Node } from "@tiptap/react";

/** The attributes of a video that the editor keeps, see docs/formats. */
const ATTRIBUTES = ["src", "title", "poster", "loop", "muted", "width", "height", "lang"] as const;

/** A video in a text: an uploaded file, or a file at another address. */
export const Film = Node.create({
	name: "film",
	group: "block",
	atom: true,
	draggable: true,
	addAttributes: () => Object.fromEntries(ATTRIBUTES.map((name) => [name, { default: null }])),
	parseHTML: () => [{ tag: "video[src]" }],
	renderHTML: ({ HTMLAttributes }) => [
		"video",
		mergeAttributes(HTMLAttributes, { controls: "", playsinline: "", preload: "metadata" }),
	],
});
