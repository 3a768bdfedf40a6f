import type { ModuleSummary, PageBlock, PageFile, Start } from "../../shared/api/schema";

/** What a new block can begin with: what the page is about, nothing in the frame, and what the site has. */
export interface BlockSite {
	about: PageFile["about"] | undefined;
	types: Start["types"];
	modules: ModuleSummary[];
}

/** A block that is no module: what it is called, and how one begins; null where none can stand. */
interface BlockKind {
	key: string;
	label: string;
	begin: (site: BlockSite) => PageBlock | null;
	/** why none can stand there */
	why?: string;
}

/** The fields for places of the page's own item. */
export function placeFields({ about, types }: Pick<BlockSite, "about" | "types">) {
	return types.find((one) => one.key === about?.item)?.fields.filter((field) => field.family === "place") ?? [];
}

/** Modules whose order the page's own item, term, month or person can have a place in: by item, those of its type. */
export function orderModules({ about, modules }: Pick<BlockSite, "about" | "modules">) {
	return about?.item === undefined ? modules : modules.filter((one) => one.takes.includes(about.item ?? ""));
}

/** Modules that let visitors filter. */
export function filteredModules(modules: ModuleSummary[]) {
	return modules.filter((one) => one.filters.length > 0);
}

const ONE_OF_MANY =
	"Only on a page that serves every item, term, month or person. A module can show one item anywhere.";

/** What can be put into a slot beside modules, in the order in which it is offered. */
export const BLOCK_KINDS: BlockKind[] = [
	{ key: "heading", label: "Heading", begin: () => ({ block: "heading", text: "" }) },
	{ key: "text", label: "Text", begin: () => ({ block: "text", html: "" }) },
	{ key: "picture", label: "Picture", begin: () => ({ block: "picture", picture: "" }) },
	{ key: "video", label: "Video", begin: () => ({ block: "video", video: "" }) },
	{ key: "pageTitle", label: "The page’s title", begin: () => ({ block: "pageTitle" }) },
	{ key: "pageText", label: "The page’s text", begin: () => ({ block: "pageText" }) },
	{ key: "pagePicture", label: "The page’s picture", begin: () => ({ block: "pagePicture" }) },
	{
		key: "field",
		label: "Fields",
		begin: ({ about }) => (about ? { block: "field", fields: ["title"] } : null),
		why: ONE_OF_MANY,
	},
	{
		key: "parts",
		label: "Parts, in lines",
		begin: ({ about }) =>
			about ? { block: "parts", card: { lines: [{ parts: [{ part: "title", level: 2 }] }] } } : null,
		why: ONE_OF_MANY,
	},
	{
		key: "map",
		label: "Map of a place",
		begin: (site) => {
			const [first] = placeFields(site);
			return first
				? { block: "map", field: first.key }
				: { block: "map", place: { address: "", latitude: 0, longitude: 0 }, zoom: 1 };
		},
	},
	{
		key: "previousNext",
		label: "Previous and next",
		begin: (site) => {
			const [first] = site.about ? orderModules(site) : [];
			return first ? { block: "previousNext", order: first.key } : null;
		},
		why: `${ONE_OF_MANY} A module has to list them.`,
	},
	{ key: "breadcrumbs", label: "Breadcrumbs", begin: () => ({ block: "breadcrumbs" }) },
	{ key: "menu", label: "Menu", begin: () => ({ block: "menu", menu: "main" }) },
	{ key: "searchBox", label: "Search box", begin: () => ({ block: "searchBox" }) },
	{
		key: "filters",
		label: "Filters of a listing",
		begin: ({ modules }) => {
			const [first] = filteredModules(modules);
			return first ? { block: "filters", of: first.key } : null;
		},
		why: "No module lets visitors choose yet.",
	},
	{
		key: "searchForm",
		label: "Search form",
		begin: ({ modules }) => {
			const first = filteredModules(modules).find((one) => one.pages.length > 0);
			return first ? { block: "searchForm", of: first.key, page: first.pages[0]?.address ?? "/" } : null;
		},
		why: "No module that lets visitors choose is on a live page yet.",
	},
	{ key: "accountLinks", label: "Account links", begin: () => ({ block: "accountLinks" }) },
	{ key: "signIn", label: "Sign-in box", begin: () => ({ block: "signIn" }) },
	{
		key: "forAuthors",
		label: "For authors",
		begin: ({ types }) => (types.length > 0 ? { block: "forAuthors", types: types.map((one) => one.key) } : null),
		why: "There is no content type yet.",
	},
	{ key: "space", label: "Space", begin: () => ({ block: "space" }) },
];

/** What can happen where a block that shows something of the page’s subject has nothing to show. */
export const WHEN_EMPTY: Record<string, string> = {
	leaveOut: "leave it out",
	leaveOutSlot: "leave its slot out",
	leaveOutBand: "leave its band out",
};

export const OF_SUBJECT = ["pageTitle", "pageText", "pagePicture"];
