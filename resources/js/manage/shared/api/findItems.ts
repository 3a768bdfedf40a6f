import { get } from "./api";
import type { ItemPage } from "./schema";

/** Items of a type whose title contains the words, sorted by title. */
export function findItems(type: string, words: string, signal?: AbortSignal): Promise<ItemPage> {
	return get("/items", { params: { query: { type, q: words, sort: "title", direction: "asc" } }, signal });
}
