import type { Column, TableState } from "./tableState";

/** A heading that sorts by its column and sets its width. */
export function Heading({
	column,
	state,
	onSort,
	onResize,
}: {
	column: Column;
	state: TableState;
	onSort: (key: string) => void;
	onResize?: (width: number) => void;
}) {
	const on = state.sort === column.key;
	const width = state.columns.find((one) => one.key === column.key)?.width ?? 150;
	const bounded = (next: number) => Math.max(60, Math.min(600, Math.round(next)));
	const right = column.field?.family === "number";
	return (
		<th
			scope="col"
			className={`relative px-3 py-2 font-semibold ${right ? "text-right" : "text-left"}`}
			aria-sort={on ? (state.direction === "asc" ? "ascending" : "descending") : column.sorts ? "none" : undefined}
		>
			{column.sorts ? (
				<button
					type="button"
					className="cursor-pointer hover:underline max-w-full truncate"
					onClick={() => onSort(column.key)}
				>
					{column.label} <span aria-hidden="true">{on ? (state.direction === "asc" ? "↑" : "↓") : ""}</span>
				</button>
			) : (
				<span className="block truncate">{column.label}</span>
			)}
			{onResize && (
				<button
					type="button"
					className="grip"
					aria-label={`Width of ${column.label}: ${width} pixels; arrow keys change it`}
					onKeyDown={(event) => {
						if (event.key === "ArrowLeft" || event.key === "ArrowRight") {
							event.preventDefault();
							onResize(bounded(width + (event.key === "ArrowRight" ? 16 : -16)));
						}
					}}
					onPointerDown={(event) => {
						const from = event.clientX;
						const grip = event.currentTarget;
						grip.setPointerCapture(event.pointerId);
						const move = (moved: PointerEvent) => onResize(bounded(width + moved.clientX - from));
						grip.addEventListener("pointermove", move);
						grip.addEventListener("pointerup", () => grip.removeEventListener("pointermove", move), { once: true });
					}}
				/>
			)}
		</th>
	);
}
