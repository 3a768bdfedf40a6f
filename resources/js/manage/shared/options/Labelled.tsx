import type { ReactNode } from "react";

/** An option with its label before it and its unit after it. */
export function Labelled({
	label,
	after = "",
	children,
}: {
	label: string;
	after?: string | undefined;
	children: ReactNode;
}) {
	return (
		// biome-ignore lint/a11y/noLabelWithoutControl: the control is among the children
		<label className="flex flex-wrap items-center gap-x-2 gap-y-1 text-sm">
			<span className="text-quiet">{label}</span>
			{children}
			{after && <span className="text-quiet">{after}</span>}
		</label>
	);
}
