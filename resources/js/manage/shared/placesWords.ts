import type { ModulePlace } from "./api/schema";

/** The places of a module in a few words. */
export function placesWords(places: ModulePlace[]): string {
	const first = places[0];
	if (first === undefined) {
		return "on no page";
	}
	return places.length === 1 ? first.words : `in ${places.length} places`;
}
