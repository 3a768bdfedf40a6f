import { type ReactNode, useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import type { Pointed } from "./pointed";

/** Maximum width in pixels. */
const NAMES_WIDTH = 340;

interface Box {
	left: number;
	top: number;
	width: number;
	height: number;
}

/** An outline around the block under the pointer, with its name above. */
export function PreviewNames({
	frame,
	html,
	place: { left, scale },
	pointed,
	onPoint,
	names,
}: {
	frame: HTMLIFrameElement;
	html: string;
	/** The position of the page on the stage. */
	place: { left: number; scale: number };
	pointed: Pointed | null;
	onPoint: (pointed: Pointed | null) => void;
	names: (block: string) => ReactNode;
}) {
	const bar = useRef<HTMLDivElement>(null);
	const [box, setBox] = useState<Box | null>(null);
	const point = useRef(onPoint);
	point.current = onPoint;
	/** While the dialog of a name is open, the pointer selects nothing else. */
	const isOpen = useCallback(() => Boolean(bar.current?.querySelector("[aria-expanded=true]")), []);
	const measure = useCallback(() => {
		const page = frame.contentDocument;
		const element = pointed && page?.querySelector<HTMLElement>(`[data-block="${pointed.block}"]`);
		const rect = element?.getBoundingClientRect();
		setBox(
			rect
				? {
						left: left + rect.left * scale,
						top: rect.top * scale,
						width: rect.width * scale,
						height: rect.height * scale,
					}
				: null,
		);
		return element ?? null;
	}, [frame, pointed, left, scale]);

	// Whatever is on the page can be reached by keyboard, too.
	// biome-ignore lint/correctness/useExhaustiveDependencies: a new page has new elements
	useLayoutEffect(() => {
		for (const element of frame.contentDocument?.querySelectorAll<HTMLElement>("[data-block]") ?? []) {
			element.tabIndex = 0;
		}
		const element = measure();
		if (pointed?.by === "plan") {
			element?.scrollIntoView({ block: "nearest" });
			measure();
		}
	}, [frame, html, measure, pointed]);

	useEffect(() => {
		const page = frame.contentDocument;
		if (!page) {
			return;
		}
		const blockOf = (event: Event) =>
			(event.target as Element).closest?.("[data-block]")?.getAttribute("data-block") ?? null;
		const show = (event: Event) => {
			const block = blockOf(event);
			if (block !== null && !isOpen()) {
				point.current({ block, by: "page" });
			}
		};
		const open = (event: Event) => {
			const block = blockOf(event);
			if (block !== null) {
				// The names must be drawn first.
				flushSync(() => point.current({ block, by: "page" }));
				[...(bar.current?.querySelectorAll("button") ?? [])].at(-1)?.click();
			}
		};
		const openByKey = (event: KeyboardEvent) => {
			if (event.key === "Enter" && (event.target as Element).hasAttribute("data-block")) {
				event.preventDefault();
				open(event);
			}
		};
		page.addEventListener("pointerover", show);
		page.addEventListener("focusin", show);
		page.addEventListener("click", open);
		page.addEventListener("keydown", openByKey);
		return () => {
			page.removeEventListener("pointerover", show);
			page.removeEventListener("focusin", show);
			page.removeEventListener("click", open);
			page.removeEventListener("keydown", openByKey);
		};
	}, [frame, isOpen]);

	useEffect(() => {
		const page = frame.contentDocument;
		page?.addEventListener("scroll", measure);
		return () => page?.removeEventListener("scroll", measure);
	}, [frame, measure]);

	return (
		pointed &&
		box && (
			<>
				<div
					className="absolute pointer-events-none outline-2 outline-secondary rounded-[3px]"
					style={{ left: box.left, top: box.top, width: box.width, height: box.height }}
				/>
				<div
					ref={bar}
					className="page-names absolute flex items-baseline gap-1.5 bg-neutral text-neutral-content rounded-field px-2
						py-0.5 text-xs whitespace-nowrap *:last:truncate"
					style={{
						left: Math.max(0, Math.min(box.left, left + frame.clientWidth * scale - NAMES_WIDTH)),
						top: Math.max(0, box.top - 32),
						maxWidth: NAMES_WIDTH,
					}}
				>
					{names(pointed.block)}
				</div>
			</>
		)
	);
}
