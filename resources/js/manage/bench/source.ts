import { createContext, useContext } from "react";
import type { SourceShape } from "../shared/types";

export const SourceContext = createContext<SourceShape | null>(null);

/** What the records of the module's source have, as the server said when it last looked. */
export function useSource(): SourceShape {
	const source = useContext(SourceContext);
	if (!source) {
		throw new Error("The bench's editors stand inside SourceContext.");
	}
	return source;
}
