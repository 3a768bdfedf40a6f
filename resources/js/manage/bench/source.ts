import { createContext, useContext } from "react";
import type { SourceRecords } from "../shared/schema";

export const SourceContext = createContext<SourceRecords | null>(null);

/** What the records of the module's source have, as the server said when it last looked. */
export function useSource(): SourceRecords {
	const source = useContext(SourceContext);
	if (!source) {
		throw new Error("The bench's editors stand inside SourceContext.");
	}
	return source;
}
