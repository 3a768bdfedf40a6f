import { Search } from "lucide-react";
import { lazy, Suspense, useEffect, useState } from "react";

// Both are loaded when they are first needed.
const CommandPanel = lazy(() => import("./CommandPanel").then((module) => ({ default: module.CommandPanel })));
const Shortcuts = lazy(() => import("./Shortcuts").then((module) => ({ default: module.Shortcuts })));

function isTyping(target: EventTarget | null): boolean {
	return target instanceof Element && target.matches("input, textarea, select, [contenteditable=true]");
}

const BOX =
	"flex items-center gap-2 h-9 w-10 max-sm:justify-center sm:h-8 sm:w-44 xl:w-52 sm:px-3 " +
	"rounded-field bg-[#23555b] text-[#c6dadb] hover:text-white text-sm cursor-pointer";

/** The command box, also on “/”, and the list of shortcuts, also on “?”. */
export function CommandBox() {
	const [open, setOpen] = useState<"find" | "shortcuts" | null>(null);
	useEffect(() => {
		const listen = (event: KeyboardEvent) => {
			if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) {
				return;
			}
			if (event.key === "/" || event.key === "?") {
				event.preventDefault();
				setOpen(event.key === "/" ? "find" : "shortcuts");
			}
		};
		window.addEventListener("keydown", listen);
		return () => window.removeEventListener("keydown", listen);
	}, []);
	return (
		<>
			<button type="button" className={BOX} aria-keyshortcuts="/" onClick={() => setOpen("find")}>
				<Search className="size-4 shrink-0" aria-hidden="true" />
				<span className="max-sm:sr-only grow text-left truncate">Find anything</span>
				<span aria-hidden="true" className="max-sm:hidden">
					/
				</span>
			</button>
			<Suspense fallback={null}>
				{open === "find" && <CommandPanel onClose={() => setOpen(null)} />}
				{open === "shortcuts" && <Shortcuts onClose={() => setOpen(null)} />}
			</Suspense>
		</>
	);
}
