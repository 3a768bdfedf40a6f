import { useQuery } from "@tanstack/react-query";
import { post } from "../../shared/api/api";
import type { PageFile } from "../../shared/api/schema";

/**
 * Which blocks can be added, and the modules in whose order the page's own item, term, month or person has a place.
 */
export function useBlockOffers(about: PageFile["about"] | undefined) {
	return useQuery({
		queryKey: ["blocks", about ?? null],
		queryFn: ({ signal }) => post("/pages/blocks", { body: { about: about ?? null }, signal }),
	});
}
