import { createContext, useContext } from "react";

/** The rule's words before its value, such as “Price, is between”; they are part of the name of each control. */
export const RuleName = createContext("");

/** Names a control of a rule: `named("from")` is “Price, is between, from”. */
export function useRuleName(): (control: string) => string {
	const rule = useContext(RuleName);
	return (control) => (rule === "" ? control : `${rule}, ${control}`);
}
