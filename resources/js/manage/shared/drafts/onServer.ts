import { del, post, put } from "../api/api";

/** Things with a draft and a live version. The frame and the settings exist once; the others have keys. */
export type DraftKind = "module" | "page" | "menu" | "look" | "frame" | "settings";

/** Options of a request, such as LEAVING. */
type How = { keepalive?: boolean };

/** Saves a draft on the server. */
export function keepDraft(
	kind: DraftKind,
	key: string,
	draft: { definition: unknown; revision: number },
	how: How = {},
) {
	const body = { ...draft, definition: { ...(draft.definition as object) } };
	const init = { params: { path: { key } }, body, ...how };
	switch (kind) {
		case "module":
			return put("/modules/{key}/draft", init);
		case "page":
			return put("/pages/{key}/draft", init);
		case "menu":
			return put("/menus/{key}/draft", init);
		case "look":
			return put("/looks/{key}/draft", init);
		case "frame":
			return put("/frame/draft", { body, ...how });
		case "settings":
			return put("/settings/draft", { body, ...how });
	}
}

/** Publishes a draft if its revision is still the given one. */
export async function publishDraft(kind: DraftKind, key: string, revision: number) {
	const body = { revision };
	const init = { params: { path: { key } }, body };
	switch (kind) {
		case "module":
			return post("/modules/{key}/publish", init);
		case "page":
			return post("/pages/{key}/publish", init);
		case "menu":
			return post("/menus/{key}/publish", init);
		case "look":
			return post("/looks/{key}/publish", init);
		case "frame":
			return post("/frame/publish", { body });
		case "settings":
			return post("/settings/publish", { body });
	}
}

/** The form: of an item (`id` null: a new one), or another by its name, such as `term:12`. */
export type FormPlace = { type: string; id: number | null } | { form: string };

/** The typed values of a form and the revision that they started from; null for something new. */
export interface Typed<V> {
	revision: number | null;
	values: V;
}

/** Saves the typed values of a form on the server. */
export function keepTyped(place: FormPlace, typed: Typed<Record<string, never>>, how: How = {}) {
	return "form" in place
		? put("/forms/{form}", { params: { path: place }, body: typed, ...how })
		: put("/items/draft", { body: { ...place, ...typed }, ...how });
}

/** Removes the typed values of a form from the server. */
export function dropTyped(place: FormPlace) {
	return "form" in place ? del("/forms/{form}", { params: { path: place } }) : del("/items/draft", { body: place });
}
