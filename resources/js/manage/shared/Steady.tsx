import type { ReactNode } from "react";

/**
 * Text that changes by itself, in a box as wide as its longest usual form, so that its neighbours do not move.
 */
export function Steady({ room, children, className = "" }: { room: string; children: ReactNode; className?: string }) {
	return (
		<span role="status" className={`inline-grid *:col-start-1 *:row-start-1 ${className}`}>
			<span className="invisible max-sm:hidden" aria-hidden="true">
				{room}
			</span>
			<span>{children}</span>
		</span>
	);
}
