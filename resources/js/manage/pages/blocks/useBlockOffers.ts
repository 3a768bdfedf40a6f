import { useQuery } from "@tanstack/react-query";
import { post } from "../../shared/api/api";
import type { PageFile } from "../../shared/api/schema";

/**
 * The blocks that can be added, and the modules for the previous and next record.
 */
export function useBlockOffers(about: PageFile["about"] | undefined) {
	return useQuery({
		queryKey: ["blocks", about ?? null],
		queryFn: ({ signal }) => post("/pages/blocks", { body: { about: about ?? null }, signal }),
	});
}
