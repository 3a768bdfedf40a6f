import type { PageBlock } from "../shared/schema";

/** A block that is no module: what it is called, and how one begins. */
interface BlockKind {
	key: string;
	label: string;
	begin: PageBlock;
}

/** What can be put into a slot beside modules, in the order in which it is offered. */
export const BLOCK_KINDS: BlockKind[] = [
	{ key: "heading", label: "Heading", begin: { block: "heading", text: "A heading" } },
	{ key: "text", label: "Text", begin: { block: "text", html: "<p>Some words.</p>" } },
	{ key: "picture", label: "Picture", begin: { block: "picture", picture: "" } },
	{ key: "pageTitle", label: "The page’s title", begin: { block: "pageTitle" } },
	{ key: "pageText", label: "The page’s text", begin: { block: "pageText" } },
	{ key: "pagePicture", label: "The page’s picture", begin: { block: "pagePicture" } },
	{ key: "field", label: "Fields", begin: { block: "field", fields: ["title"] } },
	{ key: "breadcrumbs", label: "Breadcrumbs", begin: { block: "breadcrumbs" } },
	{ key: "menu", label: "Menu", begin: { block: "menu", menu: "main" } },
	{ key: "searchBox", label: "Search box", begin: { block: "searchBox" } },
	{ key: "accountLinks", label: "Account links", begin: { block: "accountLinks" } },
	{ key: "signIn", label: "Sign-in box", begin: { block: "signIn" } },
	{ key: "space", label: "Space", begin: { block: "space" } },
];

/** What can happen where a block that shows something of the page’s subject has nothing to show. */
export const WHEN_EMPTY: Record<string, string> = {
	leaveOut: "leave it out",
	leaveOutSlot: "leave its slot out",
	leaveOutBand: "leave its band out",
};

export const OF_SUBJECT = ["pageTitle", "pageText", "pagePicture"];
