/** What the server says of the site: content types, taxonomies and what rules may say of their fields. */
export interface FieldTest {
	key: string;
	words: string;
	wantsValue: boolean;
	from: ("page" | "viewer" | "address")[];
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
		| "terms"
		| "identity"
		| "words";
	origin: "item" | "type" | "taxonomy";
	help: string;
	section: string;
	unit: string;
	required: boolean;
	types: string[];
	taxonomy: string | null;
	limits: Limits;
	choices: { key: string; label: string; colour: string | null }[];
	tests: FieldTest[];
	takes: ("term" | "item" | "month" | "person")[];
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
	/** whether an account of the demo still opens with its published password, where others can reach the site */
	demoPassword: boolean;
	user: { name: string; email: string; role: "manager" | "author" };
	site: { name: string; locale: string; timeZone: string; currency: string };
	types: ContentType[];
	taxonomies: Taxonomy[];
	pages: SitePage[];
	people: { name: string; email: string }[];
	groups: { key: string; name: string }[];
	/** whom items can be for */
	audiences: { key: string; label: string }[];
	arrangements: { key: string; label: string }[];
	pageModes: { key: string; label: string }[];
	limits: { columns: number; pageSize: number };
}

export interface Condition {
	field: string;
	test: string;
	value?: unknown;
	below?: boolean;
	/** The fields that a search looks in, and what finding a word there counts. */
	in?: Record<string, number>;
	whenMissing?: "keepAll" | "keepNone";
	off?: boolean;
}

export type Join = "all" | "any" | "none";
export type Group = { off?: boolean } & { [J in Join]?: Rule[] };
export type Rule = Condition | Group;

export interface SortKey {
	by: string;
	direction: "up" | "down";
	empty: "last" | "first";
	days?: number;
	confidence?: number;
	of?: string | string[];
	term?: string;
}

/** What a module draws from; exactly one of the first seven. */
export interface Source {
	items?: string[];
	terms?: string;
	people?: { groups: string[] };
	months?: string[];
	years?: string[];
	page?: "item" | "term";
	one?: string;
	under?: string;
	used?: boolean;
	by?: string;
	type?: string;
	of?: string;
}

export interface Headings {
	by: string;
	per?: "day" | "week" | "month" | "year";
	direction: "up" | "down";
}

/** What rules, orders, headings and cards may say of a source's records. */
export interface SourceShape {
	plural: string;
	isItems: boolean;
	types: string[];
	taxonomies: string[];
	fields: Field[];
	own: string[];
	orders: {
		key: string;
		label: string;
		goesUp: boolean;
		directions: { up: string; down: string };
		options: Partial<SortKey>;
	}[];
	headings: { key: string; label: string; family: Field["family"]; directions: { up: string; down: string } }[];
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
	source: Source;
	where?: Group;
	leaveOut?: string[];
	pin?: string[];
	headings?: Headings;
	order: SortKey[];
	skip?: number;
	atMost?: number;
	page: { mode: string; size: number; loads?: number };
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
	broken: { at: string; why: string }[];
	pieces: Piece[];
}

/** A definition as it reads, counts and looks, saved or not. */
export interface Look {
	definition: Definition;
	problems: { path: string; message: string; code: string }[];
	sentences: Sentence[];
	asText: string;
	source: SourceShape;
	total: number;
	pages: number;
	page: number;
	steps: { step: string; left: number }[];
	headings: { words: string; records: number }[];
	empty: { parts: Record<string, number>; any: number };
	lastRow: Record<Width, { cards: number; columns: number }>;
	notes: string[];
	html: string;
}

export interface Options {
	filled: number;
	empty: number;
	choices: Record<string, number>;
	labels: Record<string, string>;
	bars: { from: number | string; to: number | string; records: number }[];
}

/** From where a manager looks at a module. */
export interface PreviewContext {
	at?: string;
	as?: string;
	person?: string;
	about?: { item?: number; term?: string; month?: string; person?: string };
	words?: string;
}

export interface TraceStep {
	step: string;
	label: string;
	passed: boolean | null;
	sentence: string;
}

/** A record's way through a module. */
export interface Traced {
	id: number;
	slug: string;
	title: string;
	type: string;
	kind: string;
	shown: boolean;
	pinned: boolean;
	place: number | null;
	wouldStand: number | null;
	page: number | null;
	answer: string;
	steps: TraceStep[];
	pages: { title: string; address: string }[];
	ways: { words: string; definition: Definition | null; edit: number | null }[];
}

/** A record that can be asked about. */
export interface Asked {
	/** The id of an item; null for a term, a person or a month, known by its slug. */
	item: number | null;
	slug: string;
	title: string;
}

export interface Results {
	total: number;
	pages: number;
	page: number;
	rows: {
		id: number;
		key: string;
		type: string;
		slug: string;
		title: string;
		place: number;
		page: number;
		pinned: boolean;
		values: string[];
	}[];
}

export interface Compared {
	compared: boolean;
	before: number;
	after: number;
	most: number;
	comes: number;
	goes: { id: number; key: string; title: string; was: number }[];
	moves: number;
	otherPage: number;
	pages: {
		page: number;
		rows: {
			id: number;
			key: string;
			title: string;
			place: number;
			was: number | null;
			wasOn: number | null;
			what: "comes" | "moves" | "otherPage" | "stays";
		}[];
	}[];
	said: { lead: string; before: string; after: string; looks: boolean }[];
}

export interface Version {
	number: number;
	publishedAt: string;
	by: string | null;
}

export interface StartingPoint {
	key: string;
	words: string;
	definition: Partial<Definition>;
}

interface ModuleState {
	key: string;
	savedAt: string;
	live: boolean;
	off: boolean;
	changed: boolean;
	publishedAt: string | null;
	pages: SitePage[];
}

export interface ModuleWhole extends ModuleState {
	definition: Definition;
	liveDefinition: Definition | null;
	revision: number;
}

export interface ModuleSummary extends ModuleState {
	name: string;
	by: string | null;
	state: "live" | "changed" | "draft" | "off" | "attention";
	/** What it draws from, in words. */
	takes: string[];
	/** The terms that its rules name. */
	terms: { key: string; name: string; taxonomy: string }[];
	/** The sentence it reads as; null where it cannot be read at all. */
	line: string | null;
	problem: string | null;
}

/** How many records a module shows: to visitors, and by its draft. */
export interface ModuleRecords {
	live: number | null;
	draft: number | null;
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
