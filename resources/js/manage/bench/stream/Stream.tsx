import { type RefObject, useLayoutEffect, useState } from "react";
import type { BenchPreview } from "../../shared/api/schema";

const WIDE = 52;
const MIDDLE = 30;

interface Row {
	top: number;
	bottom: number;
	share: number;
	lost: number;
}

/** Half the band's width at a row; it has a minimum width while any record is left. */
/** The line of the dropped records, which leaves the stream at its edge and turns right. */
function branch(half: number, top: number): string {
	return `M ${MIDDLE + half + 3} ${top + 12} q 10 3 ${Math.max(6, 30 - half)} 14`;
}

function half(row: Row): number {
	return Math.max(row.share > 0 ? 1.5 : 0.5, (WIDE * row.share) / 2);
}

/** The point below the row's top where the band has the row's width. */
function turn(row: Row): number {
	return row.top + Math.min(28, (row.bottom - row.top) * 0.55);
}

function outline(rows: Row[]): string {
	const right: string[] = [];
	const left: string[] = [];
	rows.forEach((row, i) => {
		const before = rows[i - 1];
		if (before) {
			const bend = (row.top + turn(row)) / 2;
			const [was, is] = [half(before), half(row)];
			right.push(`C ${MIDDLE + was} ${bend}, ${MIDDLE + is} ${bend}, ${MIDDLE + is} ${turn(row)}`);
			left.unshift(
				`L ${MIDDLE - is} ${turn(row)} C ${MIDDLE - is} ${bend}, ${MIDDLE - was} ${bend}, ${MIDDLE - was} ${row.top}`,
			);
		} else {
			right.push(`M ${MIDDLE + half(row)} ${row.top}`);
			left.unshift(`L ${MIDDLE - half(row)} ${row.top}`);
		}
		right.push(`L ${MIDDLE + half(row)} ${row.bottom}`);
		if (i === rows.length - 1) {
			left.unshift(`L ${MIDDLE - half(row)} ${row.bottom}`);
		}
	});
	return `${right.join(" ")} ${left.join(" ")} Z`;
}

/** The drawn band beside the text. Its width at each rule is the share of remaining records. */
export function Stream({ list, preview }: { list: RefObject<HTMLOListElement | null>; preview: BenchPreview }) {
	const [rows, setRows] = useState<Row[]>([]);

	useLayoutEffect(() => {
		const element = list.current;
		if (!element) {
			return;
		}
		const counts = new Map(preview.steps.map((one) => [one.step, one.left]));
		const source = counts.get("source") ?? 0;
		const measure = () => {
			let left = source;
			const next: Row[] = [];
			for (const child of element.querySelectorAll<HTMLElement>(":scope > [data-rule]")) {
				const now = counts.get(child.dataset.step ?? "") ?? left;
				next.push({
					top: child.offsetTop,
					bottom: child.offsetTop + child.offsetHeight,
					share: source > 0 ? Math.min(1, now / source) : 0,
					lost: Math.max(0, left - now),
				});
				left = now;
			}
			setRows(next);
		};
		measure();
		const watch = new ResizeObserver(measure);
		watch.observe(element);
		for (const child of element.children) {
			watch.observe(child);
		}
		return () => watch.disconnect();
	}, [list, preview]);

	const height = rows.at(-1)?.bottom ?? 0;
	return (
		<svg className="absolute left-0 top-0" width="66" height={height} aria-hidden="true">
			<defs>
				<linearGradient id="water" x1="0" y1="0" x2="0" y2="1">
					<stop offset="0" stopColor="#2f7f88" />
					<stop offset="1" stopColor="#8fc0c3" />
				</linearGradient>
			</defs>
			{rows.length > 0 && <path d={outline(rows)} fill="url(#water)" />}
			{rows.map(
				(row) =>
					row.lost > 0 && (
						<path
							key={row.top}
							d={branch((WIDE * row.share) / 2, row.top)}
							fill="none"
							stroke="#ad4a22"
							strokeWidth="1.5"
							strokeDasharray="3 3"
						/>
					),
			)}
		</svg>
	);
}
