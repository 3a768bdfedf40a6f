import { createContext, useContext } from "react";

/** How the rule reads up to its value, such as “Price, is between”; each of its controls is named with it. */
export const RuleName = createContext("");

/** Names a control of a rule: `named("from")` is “Price, is between, from”. */
export function useRuleName(): (control: string) => string {
	const rule = useContext(RuleName);
	return (control) => (rule === "" ? control : `${rule}, ${control}`);
}
