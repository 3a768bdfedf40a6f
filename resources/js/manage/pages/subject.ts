import { useQuery } from "@tanstack/react-query";
import { post } from "../shared/api/api";
import type { PageFile, SourceRecords } from "../shared/api/schema";

/** The type of the page's records; null while it loads, or if there are none. */
export function useSubjectRecords(about: PageFile["about"] | undefined): SourceRecords | null {
	const records = useQuery({
		queryKey: ["subject records", about],
		queryFn: ({ signal }) => {
			// Only `about` matters here.
			const definition: PageFile = { format: 1, key: "page", address: "/{page}", title: "Page", about, bands: [] };
			return post("/pages/records", { body: { definition }, signal });
		},
		enabled: about !== undefined,
		staleTime: 60_000,
	});
	return records.data?.records ?? null;
}
