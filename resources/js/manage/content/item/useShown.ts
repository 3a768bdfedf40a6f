import { skipToken, useQuery } from "@tanstack/react-query";
import { get } from "../../shared/api/api";
import type { Item } from "../../shared/api/schema";

/** The modules that show the saved item, and the nearest that do not. */
export function useShown(item: Item | null) {
	return useQuery({
		queryKey: ["shown", item?.id, item?.revision],
		queryFn:
			item === null
				? skipToken
				: ({ signal }) => get("/items/{item}/shown", { params: { path: { item: item.id } }, signal }),
	});
}
