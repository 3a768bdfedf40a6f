import { type PointerEvent, useRef } from "react";
import { TWELFTHS } from "./plan/edits";

/** The line between two slots, which moves by drag or by arrow keys, one twelfth at a time. */
export function ShareLine({ label, value, onMove }: { label: string; value: number; onMove: (by: number) => void }) {
	const from = useRef<number | null>(null);
	const move = (event: PointerEvent<HTMLElement>) => {
		const row = event.currentTarget.parentElement;
		if (from.current === null || !row) {
			return;
		}
		const by = Math.round(((event.clientX - from.current) / row.clientWidth) * TWELFTHS);
		if (by !== 0) {
			from.current += (by * row.clientWidth) / TWELFTHS;
			onMove(by);
		}
	};
	return (
		// biome-ignore lint/a11y/useSemanticElements: a line that is moved is a separator with a value, not a rule
		<div
			role="separator"
			aria-label={label}
			aria-orientation="vertical"
			aria-valuenow={value}
			aria-valuemin={1}
			aria-valuemax={TWELFTHS - 1}
			tabIndex={0}
			className="hidden sm:block w-3 shrink-0 cursor-col-resize touch-none relative after:absolute after:inset-y-2
				after:left-1/2 after:w-px after:bg-transparent hover:after:bg-primary focus-visible:after:bg-primary"
			onPointerDown={(event) => {
				from.current = event.clientX;
				event.currentTarget.setPointerCapture(event.pointerId);
			}}
			onPointerMove={move}
			onPointerUp={() => {
				from.current = null;
			}}
			onKeyDown={(event) => {
				if (event.key === "ArrowLeft" || event.key === "ArrowRight") {
					event.preventDefault();
					onMove(event.key === "ArrowLeft" ? -1 : 1);
				}
			}}
		/>
	);
}
