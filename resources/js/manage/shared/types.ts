/** What the server says of the site: content types, taxonomies and what rules may say of their fields. */
export interface FieldTest {
	key: string;
	words: string;
	wantsValue: boolean;
}

export interface Limits {
	minimum?: number;
	maximum?: number;
	decimals?: number;
	minLength?: number;
	maxLength?: number;
	pattern?: string;
	earliest?: string;
	latest?: string;
	maxItems?: number;
}

export interface Field {
	key: string;
	label: string;
	kind: string;
	family:
		| "text"
		| "longText"
		| "number"
		| "yesNo"
		| "choice"
		| "choices"
		| "date"
		| "instant"
		| "picture"
		| "pictures"
		| "file"
		| "video"
		| "place"
		| "hours"
		| "items"
		| "person"
		| "terms";
	origin: "item" | "type" | "taxonomy";
	help: string;
	section: string;
	unit: string;
	required: boolean;
	types: string[];
	limits: Limits;
	choices: { key: string; label: string; colour: string | null }[];
	tests: FieldTest[];
	sorts: boolean;
	directions: { up: string; down: string } | null;
	onCards: boolean;
}

export interface ContentType {
	key: string;
	label: string;
	plural: string;
	address: string;
	fields: Field[];
	own: string[];
	taxonomies: string[];
}

export interface Taxonomy {
	key: string;
	label: string;
	tree: boolean;
	terms: { slug: string; name: string; depth: number }[];
}

export interface SitePage {
	id: number;
	address: string;
	title: string;
}

export interface Start {
	user: { name: string; email: string; role: "manager" | "author" };
	site: { name: string; locale: string; timeZone: string; currency: string };
	types: ContentType[];
	taxonomies: Taxonomy[];
	pages: SitePage[];
	people: { name: string; email: string }[];
	arrangements: { key: string; label: string }[];
	limits: { columns: number; pageSize: number };
}

export interface Condition {
	field: string;
	test: string;
	value?: unknown;
	below?: boolean;
	off?: boolean;
}

export type Join = "all" | "any" | "none";
export type Group = { off?: boolean } & { [J in Join]?: Rule[] };
export type Rule = Condition | Group;

export interface SortKey {
	by: string;
	direction: "up" | "down";
	empty: "last" | "first";
}

export interface EmptyRule {
	do: "leaveOut" | "leaveOutLine" | "say";
	text?: string;
}

export interface Part {
	part: string;
	field?: string;
	level?: number;
	words?: number;
	label?: string;
	empty?: EmptyRule;
}

export type Width = "phone" | "tablet" | "laptop" | "desktop";

/** A module's definition, format 1. */
export interface Definition {
	format: 1;
	key: string;
	name: string;
	source: { items: [string] };
	where?: Group;
	leaveOut?: string[];
	pin?: string[];
	order: SortKey[];
	skip?: number;
	atMost?: number;
	page: { mode: "numbered"; size: number };
	arrange: { as: string; columns?: Record<Width, number> };
	card: { lines: { parts: Part[] }[] };
	whenNothing: { do: "say"; text: string };
}

export interface Piece {
	text: string;
	at: string | null;
}

export interface Sentence {
	rule: string;
	step: string | null;
	lead: string;
	off: boolean;
	pieces: Piece[];
}

/** A definition as it reads, counts and looks, saved or not. */
export interface Look {
	definition: Definition;
	sentences: Sentence[];
	total: number;
	pages: number;
	page: number;
	steps: { step: string; left: number }[];
	empty: { parts: Record<string, number>; any: number };
	lastRow: Record<Width, { cards: number; columns: number }>;
	notes: string[];
	html: string;
}

export interface Options {
	filled: number;
	empty: number;
	choices: Record<string, number>;
	from: number | null;
	to: number | null;
}

interface ModuleState {
	key: string;
	savedAt: string;
	live: boolean;
	changed: boolean;
	publishedAt: string | null;
	pages: SitePage[];
}

export interface ModuleWhole extends ModuleState {
	definition: Definition;
	revision: number;
}

export interface ModuleSummary extends ModuleState {
	name: string;
	type?: string;
	line?: string;
	records?: number;
	problem?: string;
}

/** An uploaded picture, video or other file. */
export interface Media {
	id: number;
	name: string;
	kind: "picture" | "video" | "file";
	title: string;
	url: string;
	small: string;
	width: number | null;
	height: number | null;
	bytes: number;
	alt: string;
	focus: [number, number];
}

export interface Linked {
	name: string;
	title: string;
}

export type Values = Record<string, unknown>;

export interface Item {
	id: number;
	type: string;
	revision: number;
	title: string;
	status: "draft" | "published";
	values: Values;
	files: Record<string, Media>;
	linked: Record<string, Linked[]>;
	authorName: string | null;
	updatedAt: string;
	address: string;
	draft?: { values: Values; revision: number | null; keptAt: string } | null;
}

export interface Difference {
	field: string;
	label: string;
	before: string;
	after: string;
}

export interface ItemPage {
	total: number;
	pages: number;
	page: number;
	items: Item[];
}
