import type { ReactNode } from "react";

/** A message that people must read. */
export function Notice({ children, tone = "warning" }: { children: ReactNode; tone?: "warning" | "calm" }) {
	return (
		<div
			role={tone === "warning" ? "alert" : "status"}
			className={`rounded-box px-4 py-3
				${tone === "warning" ? "bg-warning text-warning-content" : "bg-accent text-accent-content"}`}
		>
			{children}
		</div>
	);
}
