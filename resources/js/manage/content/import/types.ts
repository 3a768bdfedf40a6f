/** What the server says of a file on its way in. */
export interface Options {
	columns: Record<string, string | null>;
	mode: "create" | "update" | "both";
	key: string;
	makeTerms: boolean;
	skipBad: boolean;
	/** whether an apostrophe before what looks like a formula is a part of the text */
	plain: boolean;
}

export interface Result {
	created?: number;
	changed?: number;
	unchanged?: number;
	bad?: number;
	problemCount?: number;
	problems: { path: string; message: string }[];
	preview?: { place: string; becomes: "created" | "changed" | "unchanged" | "bad"; cells: Record<string, string> }[];
	newTerms?: string[];
}

export interface Import {
	id: number;
	name: string;
	state: "new" | "checking" | "checked" | "writing" | "done" | "failed";
	rows: number;
	done: number;
	headings: string[];
	samples: Record<string, string>;
	options: Options;
	columns: { key: string; label: string; needed: boolean }[];
	keys: { key: string; label: string }[];
	pictures: boolean;
	result: Result | null;
	change: number | null;
}
