import { createContext, useContext } from "react";
import type { SortKey, SourceRecords } from "../shared/api/schema";

export const SourceContext = createContext<SourceRecords | null>(null);

/** The fields of the source's records in the latest answer of the server. */
export function useSource(): SourceRecords {
	const source = useContext(SourceContext);
	if (!source) {
		throw new Error("The bench's editors stand inside SourceContext.");
	}
	return source;
}

/** The default sort key of a criterion, in its usual direction. */
export function begun(source: SourceRecords, by: string): SortKey {
	const offered = source.orders.find((one) => one.key === by);
	return { by, ...offered?.options, direction: (offered?.goesUp ?? true) ? "up" : "down", empty: "last" };
}
