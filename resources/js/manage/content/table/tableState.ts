import type { Condition, ContentType, Field } from "../../shared/api/schema";

/** A person's settings of a type's table: the latest, and saved views. */
export interface TableState {
	columns: { key: string; width: number }[];
	sort: string;
	direction: "asc" | "desc";
	q: string;
	status: string;
	filters: Condition[];
}

export interface Column {
	key: string;
	label: string;
	field: Field | null;
	sorts: boolean;
}

const WIDTHS: Partial<Record<Field["family"], number>> = {
	text: 220,
	picture: 84,
	yesNo: 90,
	number: 110,
	choice: 130,
	date: 130,
};
const BEGIN = 4;

/** All possible columns of the table, without the title. */
export function columnsOf(type: ContentType): Column[] {
	const shown = type.fields.filter(
		(one) => !["title", "text", "lead", "created_at"].includes(one.key) && one.family !== "longText",
	);
	const own = [...shown.filter((one) => one.origin === "type"), ...shown.filter((one) => one.origin === "taxonomy")];
	const items = type.fields.filter((one) =>
		["publish_at", "expire_at", "updated_at", "slug", "lead", "created_at"].includes(one.key),
	);
	return [
		...own.map((field) => ({ key: field.key, label: field.label, field, sorts: field.sorts })),
		{ key: "status", label: "State", field: null, sorts: true },
		{ key: "author", label: "Author", field: null, sorts: false },
		{ key: "audience", label: "Audience", field: null, sorts: false },
		...items.map((field) => ({ key: field.key, label: field.label, field, sorts: field.sorts })),
	];
}

export function widthOf(column: Column): number {
	return (column.field && WIDTHS[column.field.family]) ?? 150;
}

export function beginning(type: ContentType): TableState {
	const all = columnsOf(type);
	const picture = all.filter((one) => one.field?.family === "picture").slice(0, 1);
	const terms = all.filter((one) => one.field?.family === "terms").slice(0, 2);
	const plain = all
		.filter(
			(one) =>
				one.field?.origin === "type" && !["picture", "pictures", "file", "video", "hours"].includes(one.field.family),
		)
		.slice(0, BEGIN - terms.length);
	const state = all.filter((one) => ["status", "publish_at", "updated_at"].includes(one.key));
	return {
		columns: [...picture, ...terms, ...plain, ...state].map((one) => ({ key: one.key, width: widthOf(one) })),
		sort: "updated_at",
		direction: "desc",
		q: "",
		status: "",
		filters: [],
	};
}

/**
 * The stored settings without fields that no longer exist. The server stores them unchanged; null if there are none.
 */
export function restored(type: ContentType, state: unknown): TableState {
	const all = columnsOf(type);
	const began = beginning(type);
	if (state === null) {
		return began;
	}
	const kept = state as Partial<TableState>;
	const columns = (kept.columns ?? began.columns).filter((one) => all.some((column) => column.key === one.key));
	const sorts =
		kept.sort === "title" || kept.sort === "byHand" || all.some((one) => one.key === kept.sort && one.sorts);
	return {
		...began,
		...kept,
		columns,
		sort: sorts ? (kept.sort ?? began.sort) : began.sort,
		filters: (kept.filters ?? []).filter((one) => type.fields.some((field) => field.key === one.field)),
	};
}
