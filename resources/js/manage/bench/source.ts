import { createContext, useContext } from "react";
import type { SortKey, SourceRecords } from "../shared/api/schema";

export const SourceContext = createContext<SourceRecords | null>(null);

/** What the records of the module's source have, as the server said when it last looked. */
export function useSource(): SourceRecords {
	const source = useContext(SourceContext);
	if (!source) {
		throw new Error("The bench's editors stand inside SourceContext.");
	}
	return source;
}

/** The sort key that an order begins with when it is chosen: in its usual direction. */
export function begun(source: SourceRecords, by: string): SortKey {
	const offered = source.orders.find((one) => one.key === by);
	return { by, ...offered?.options, direction: (offered?.goesUp ?? true) ? "up" : "down", empty: "last" };
}
