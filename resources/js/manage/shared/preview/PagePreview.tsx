import { type ReactNode, useEffect, useRef, useState } from "react";
import { choicesOf } from "../../../site/choosing/choiceAddress";
import { layOutMasonry } from "../../../site/shared/masonryColumns";
import { type Device, WIDTHS } from "./DeviceSwitch";
import { PreviewNames } from "./PreviewNames";
import type { Pointed } from "./pointed";

/** Links of the page that change the visitor's choices. */
const CHOICE_LINKS = ".filters a, .chosen a, .tool-arrangements a, .without a, th a";

/** The scripts of the page are removed before it is loaded. */
function withoutScripts(html: string): string {
	return html.replace(/<script type="module"[^>]*><\/script>|<link rel="modulepreload"[^>]*>/g, "");
}

/** The frame does not run scripts, so layouts that need a script are computed here. */
function arrange(page: Document) {
	for (const list of page.querySelectorAll<HTMLElement>("[data-masonry]")) {
		layOutMasonry(list);
	}
}

/** The real page in a frame, at the width of a device, updated after every change. */
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
	/** The module of the preview, if it is one. */
	moduleKey?: string;
	device: Device;
	onPage?: (page: string) => void;
	/** Receives the choices that a person tries on the page, by parameter. */
	onChoose?: (choices: Record<string, string>) => void;
	/** The highlighted block, if any. */
	pointed?: Pointed | null;
	/** Receives the block under the pointer, with the focus, or opened. */
	onPoint?: (pointed: Pointed | null) => void;
	/** The names of the block and its ancestors: buttons, of which the last opens the block. */
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

	// The page's body is replaced in place, which avoids flicker and keeps the scroll position.
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
		// The preview starts at the module, even if it is far down on the page.
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
				<PreviewNames
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
