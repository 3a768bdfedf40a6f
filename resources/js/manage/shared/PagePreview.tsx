import { useEffect, useRef, useState } from "react";

const WIDTHS = [
	["Phone", 390],
	["Tablet", 820],
	["Laptop", 1280],
] as const;

export type Device = (typeof WIDTHS)[number][0];

/** What visitors get: the real page in a frame, at the width of a device, following every change. */
export function PagePreview({
	html,
	moduleKey = "",
	device,
	onPage,
}: {
	html: string;
	/** The module that is looked at, if it is one. */
	moduleKey?: string;
	device: Device;
	onPage?: (page: string) => void;
}) {
	const stage = useRef<HTMLDivElement>(null);
	const frame = useRef<HTMLIFrameElement>(null);
	const [room, setRoom] = useState({ width: 800, height: 600 });
	const first = useRef(html);
	const turn = useRef(onPage);
	turn.current = onPage;

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
		}
	}, [html]);

	const listen = () => {
		const page = frame.current?.contentDocument;
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
			if (link.closest(".pages") && link.closest(`[id="${moduleKey}"]`)) {
				turn.current?.(new URL(link.href, window.location.href).searchParams.get(`${moduleKey}-page`) ?? "1");
			}
		});
	};

	const width = WIDTHS.find(([name]) => name === device)?.[1] ?? 1280;
	const scale = Math.min(1, room.width / width);
	return (
		<div ref={stage} className="flex-1 min-h-0 overflow-hidden">
			<iframe
				ref={frame}
				title="What visitors get"
				sandbox="allow-same-origin"
				srcDoc={first.current}
				onLoad={listen}
				className="bg-white outline outline-base-300 rounded-lg origin-top-left"
				style={{
					width,
					height: room.height / scale,
					transform: `translateX(${Math.max(0, (room.width - width * scale) / 2)}px) scale(${scale})`,
				}}
			/>
		</div>
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
					className={`cursor-pointer py-1 border-b-2 ${device === name ? "font-semibold border-secondary" : "text-quiet border-transparent hover:text-base-content"}`}
				>
					{name}
				</button>
			))}
		</fieldset>
	);
}
