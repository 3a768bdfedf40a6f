import { useQuery } from "@tanstack/react-query";
import { send } from "../../shared/api/api";
import type { BlockOffers, PageFile } from "../../shared/api/schema";

/**
 * Which blocks can be added, and the modules in whose order the page's own item, term, month or person has a place.
 */
export function useBlockOffers(about: PageFile["about"] | undefined) {
	return useQuery({
		queryKey: ["blocks", about ?? null],
		queryFn: ({ signal }) => send<BlockOffers>("POST", "/pages/blocks", { about: about ?? null }, { signal }),
	});
}
