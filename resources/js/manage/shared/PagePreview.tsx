import { type ReactNode, useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";
import { flushSync } from "react-dom";
import { choicesOf } from "../../site/choosing/choiceAddress";
import { layOutMasonry } from "../../site/shared/masonryColumns";

const WIDTHS = [
	["Phone", 390],
	["Tablet", 820],
	["Laptop", 1280],
] as const;

export type Device = (typeof WIDTHS)[number][0];

/** What of the page is pointed at: the `data-block` of an element, and where the pointing was done. */
export interface Pointed {
	block: string;
	by: "page" | "plan";
}

/** Links of the page by which visitors choose. */
const CHOICE_LINKS = ".filters a, .chosen a, .tool-arrangements a, .without a, th a";

/** In pixels, at most. */
const NAMES_WIDTH = 340;

interface Box {
	left: number;
	top: number;
	width: number;
	height: number;
}

/** The page's own scripts are not even asked for. */
function withoutScripts(html: string): string {
	return html.replace(/<script type="module"[^>]*><\/script>|<link rel="modulepreload"[^>]*>/g, "");
}

/** The frame runs no scripts: what a page's own would lay out is laid out from here. */
function arrange(page: Document) {
	for (const list of page.querySelectorAll<HTMLElement>("[data-masonry]")) {
		layOutMasonry(list);
	}
}

/** What visitors get: the real page in a frame, at the width of a device, following every change. */
export function PagePreview({
	html,
	moduleKey = "",
	device,
	onPage,
	onChoose,
	pointed = null,
	onPoint,
	names,
}: {
	html: string;
	/** The module that is looked at, if it is one. */
	moduleKey?: string;
	device: Device;
	onPage?: (page: string) => void;
	/** Told what is chosen on the page, by parameter, when a choice is tried out. */
	onChoose?: (choices: Record<string, string>) => void;
	/** The block that stands out, if one does. */
	pointed?: Pointed | null;
	/** Told which block is pointed at, has the focus, or is opened. */
	onPoint?: (pointed: Pointed | null) => void;
	/** What the block and what it stands in are called: buttons, of which the last opens the block. */
	names?: (block: string) => ReactNode;
}) {
	const stage = useRef<HTMLDivElement>(null);
	const frame = useRef<HTMLIFrameElement>(null);
	const [room, setRoom] = useState({ width: 800, height: 600 });
	const first = useRef(withoutScripts(html));
	const turn = useRef(onPage);
	turn.current = onPage;
	const choose = useRef(onChoose);
	choose.current = onChoose;
	const width = WIDTHS.find(([name]) => name === device)?.[1] ?? 1280;
	const scale = Math.min(1, room.width / width);
	const left = Math.max(0, (room.width - width * scale) / 2);

	useEffect(() => {
		const element = stage.current;
		if (!element) {
			return;
		}
		const watch = new ResizeObserver(() => setRoom({ width: element.clientWidth, height: element.clientHeight }));
		watch.observe(element);
		return () => watch.disconnect();
	}, []);

	// The page's body is exchanged in place, so that nothing flickers and the place on the page stays.
	useEffect(() => {
		const page = frame.current?.contentDocument;
		if (page?.body && page.querySelector("main")) {
			const next = new DOMParser().parseFromString(html, "text/html");
			page.body.replaceWith(page.adoptNode(next.body));
			const sheet = next.querySelector('link[rel="stylesheet"]')?.getAttribute("href");
			const now = page.querySelector('link[rel="stylesheet"]');
			if (sheet && now && now.getAttribute("href") !== sheet) {
				now.setAttribute("href", sheet);
			}
			arrange(page);
		}
	}, [html]);

	const listen = () => {
		const page = frame.current?.contentDocument;
		if (page) {
			arrange(page);
		}
		// A page begins where its first module does; one that stands further down is brought into sight.
		const module = page?.getElementById(moduleKey);
		if (page && module && page.querySelector(".module") !== module) {
			module.scrollIntoView();
		}
		page?.addEventListener("click", (event) => {
			const link = (event.target as Element).closest?.("a");
			if (!link) {
				return;
			}
			event.preventDefault();
			if (link.matches(CHOICE_LINKS)) {
				choose.current?.(Object.fromEntries(new URL(link.href, window.location.href).searchParams));
			} else if (link.closest(".pages") && link.closest(`[id="${moduleKey}"]`)) {
				turn.current?.(new URL(link.href, window.location.href).searchParams.get(`${moduleKey}-page`) ?? "1");
			}
		});
		for (const kind of ["change", "submit"]) {
			page?.addEventListener(kind, (event) => {
				const target = event.target as HTMLElement;
				const form = (target.tagName === "FORM" ? target : (target as HTMLInputElement).form) as HTMLFormElement | null;
				if (form?.matches?.("form[data-choices]")) {
					event.preventDefault();
					choose.current?.(Object.fromEntries(choicesOf(form)));
				}
			});
		}
		setLoaded(true);
	};
	const [loaded, setLoaded] = useState(false);

	return (
		<div ref={stage} className="relative flex-1 min-h-0 overflow-hidden">
			<iframe
				ref={frame}
				title="What visitors get"
				sandbox="allow-same-origin"
				srcDoc={first.current}
				onLoad={listen}
				className="absolute left-0 top-0 bg-white outline outline-base-300 rounded-lg origin-top-left"
				style={{ width, height: room.height / scale, transform: `translateX(${left}px) scale(${scale})` }}
			/>
			{loaded && names && onPoint && frame.current && (
				<Names
					frame={frame.current}
					html={html}
					place={{ left, scale }}
					pointed={pointed}
					onPoint={onPoint}
					names={names}
				/>
			)}
		</div>
	);
}

/** An outline around the block that is pointed at on the page, and over it what it is called. */
function Names({
	frame,
	html,
	place: { left, scale },
	pointed,
	onPoint,
	names,
}: {
	frame: HTMLIFrameElement;
	html: string;
	/** Where the page lies on the stage. */
	place: { left: number; scale: number };
	pointed: Pointed | null;
	onPoint: (pointed: Pointed | null) => void;
	names: (block: string) => ReactNode;
}) {
	const bar = useRef<HTMLDivElement>(null);
	const [box, setBox] = useState<Box | null>(null);
	const point = useRef(onPoint);
	point.current = onPoint;
	/** While what a name stands for is open, nothing else is pointed at. */
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
				// The names are drawn first.
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

export function DeviceSwitch({ device, onChange }: { device: Device; onChange: (device: Device) => void }) {
	return (
		<fieldset className="flex gap-3">
			<legend className="sr-only">Width of the page</legend>
			{WIDTHS.map(([name]) => (
				<button
					key={name}
					type="button"
					aria-pressed={device === name}
					onClick={() => onChange(name)}
					className={`cursor-pointer py-1 border-b-2
						${device === name ? "font-semibold border-secondary" : "text-quiet border-transparent hover:text-base-content"}`}
				>
					{name}
				</button>
			))}
		</fieldset>
	);
}
