import type { ModuleSummary } from "../shared/api/schema";

export const STATES: [ModuleSummary["state"], string][] = [
	["live", "live"],
	["changed", "live, with unpublished changes"],
	["draft", "draft"],
	["off", "switched off"],
	["attention", "needs attention"],
];

export function StateMark({ one }: { one: ModuleSummary }) {
	const { state } = one;
	const look =
		state === "live"
			? "bg-accent text-accent-content"
			: state === "off"
				? "bg-base-300 text-base-content"
				: "bg-warning text-warning-content";
	return (
		<span className={`rounded-full px-2.5 py-0.5 text-xs ${look}`}>{STATES.find(([key]) => key === state)?.[1]}</span>
	);
}
