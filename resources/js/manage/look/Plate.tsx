import { useCallback, useEffect, useRef, useState } from "react";
import type { LookFile, Looks } from "../shared/api/schema";
import { NOTES } from "./notes";
import { OptionWords } from "./OptionWords";

interface Line {
	key: string;
	from: [number, number];
	to: [number, number];
}

/** The site's parts on a plate, with a note at each whose words open in place. */
export function Plate({
	html,
	groups,
	look,
	onChange,
}: {
	html: string;
	groups: Looks["groups"];
	look: LookFile;
	onChange: (group: string, option: string, value: unknown) => void;
}) {
	const box = useRef<HTMLDivElement>(null);
	const frame = useRef<HTMLIFrameElement>(null);
	const [lines, setLines] = useState<Line[]>([]);
	const [height, setHeight] = useState(560);
	const first = useRef(html);

	const draw = useCallback(() => {
		const page = frame.current?.contentDocument;
		const outer = box.current?.getBoundingClientRect();
		const inner = frame.current?.getBoundingClientRect();
		if (!page?.body || !outer || !inner) {
			return;
		}
		page.documentElement.style.overflow = "hidden";
		setHeight(Math.ceil(page.querySelector("main")?.getBoundingClientRect().bottom ?? 560) + 2);
		setLines(
			NOTES.flatMap(({ key }) => {
				const part = page.querySelector(`[data-note="${key}"]`)?.getBoundingClientRect();
				const note = box.current?.querySelector(`[data-of="${key}"]`)?.getBoundingClientRect();
				return part && note
					? [
							{
								key,
								from: [note.right - outer.left + 6, note.top - outer.top + 14],
								to: [inner.left - outer.left + Math.max(10, part.left - 4), inner.top - outer.top + part.top + 12],
							} as Line,
						]
					: [];
			}),
		);
	}, []);

	// The body is replaced in place, which avoids flicker.
	useEffect(() => {
		const page = frame.current?.contentDocument;
		if (!page?.body?.firstElementChild) {
			return;
		}
		const next = new DOMParser().parseFromString(html, "text/html");
		page.body.replaceWith(page.adoptNode(next.body));
		const sheet = next.querySelector('link[rel="stylesheet"]');
		const now = page.querySelector('link[rel="stylesheet"]');
		if (sheet && now && sheet.getAttribute("href") !== now.getAttribute("href")) {
			const fresh = page.createElement("link");
			fresh.rel = "stylesheet";
			fresh.href = sheet.getAttribute("href") ?? "";
			fresh.onload = () => {
				now.remove();
				draw();
			};
			page.head.append(fresh);
		}
		draw();
	}, [html, draw]);

	useEffect(() => {
		const watch = new ResizeObserver(draw);
		if (box.current) {
			watch.observe(box.current);
		}
		return () => watch.disconnect();
	}, [draw]);

	return (
		<div ref={box} className="relative grid gap-5 lg:grid-cols-[13rem_minmax(0,1fr)] items-start">
			<ul
				className="order-last lg:order-none grid gap-x-4 gap-y-4 sm:grid-cols-2 lg:grid-cols-1 lg:text-right text-sm"
				aria-label="Notes"
			>
				{NOTES.map((note) => (
					<li key={note.key} data-of={note.key}>
						<div className="text-quiet text-xs">{note.title}</div>
						<div className="leading-[1.6]">
							<OptionWords says={note.says} groups={groups} look={look} onChange={onChange} />
						</div>
					</li>
				))}
			</ul>
			<iframe
				ref={frame}
				title="The parts of the site in this look"
				className="w-full border border-base-300 rounded-box bg-base-100"
				style={{ height }}
				sandbox="allow-same-origin"
				srcDoc={first.current}
				onLoad={() => {
					draw();
					setTimeout(draw, 400);
				}}
			/>
			<svg className="absolute inset-0 w-full h-full pointer-events-none hidden lg:block" aria-hidden="true">
				<title>What each note is about</title>
				{lines.map((line) => (
					<g key={line.key} className="text-secondary">
						<line
							x1={line.from[0]}
							y1={line.from[1]}
							x2={line.to[0]}
							y2={line.to[1]}
							stroke="currentColor"
							strokeDasharray="3 3"
						/>
						<circle cx={line.to[0]} cy={line.to[1]} r="3" fill="currentColor" />
					</g>
				))}
			</svg>
		</div>
	);
}
