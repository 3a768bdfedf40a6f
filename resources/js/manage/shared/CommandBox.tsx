import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { get } from "./api";
import { Sheet } from "./Sheet";
import { useStart } from "./start";
import { useSettled } from "./useSettled";

interface Found {
	kind: string;
	title: string;
	about: string;
	to: string;
}

const SHORTCUTS: [string, string][] = [
	["/", "Find any module, page, item, term or action"],
	["?", "This list"],
	["Ctrl Z, Ctrl Shift Z", "Undo and redo on the bench"],
	["Esc", "Close what is open"],
	["Alt ↑, Alt ↓", "Move the condition you are in, on the bench"],
	["Tab, Enter", "To the next underlined word of the text; open it"],
];

function typing(target: EventTarget | null): boolean {
	return target instanceof Element && target.matches("input, textarea, select, [contenteditable=true]");
}

/** One box, on “/”, that finds anything and goes there. */
export function CommandBox() {
	const { user } = useStart();
	const go = useNavigate();
	const box = useRef<HTMLInputElement>(null);
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const [at, setAt] = useState(0);
	const [open, setOpen] = useState(false);
	const [keys, setKeys] = useState(false);
	const found = useQuery({
		queryKey: ["find anything", sought],
		queryFn: ({ signal }) => get<Found[]>(`/find?${new URLSearchParams({ q: sought })}`, signal),
		enabled: sought.trim() !== "",
		placeholderData: keepPreviousData,
	});

	useEffect(() => {
		const listen = (event: KeyboardEvent) => {
			if (typing(event.target) || event.ctrlKey || event.metaKey || event.altKey) {
				return;
			}
			if (event.key === "/") {
				event.preventDefault();
				box.current?.focus();
			} else if (event.key === "?") {
				setKeys(true);
			}
		};
		window.addEventListener("keydown", listen);
		return () => window.removeEventListener("keydown", listen);
	}, []);

	const actions: Found[] = (
		[
			["Go to Modules", "/modules", true],
			["Make a new module", "/modules?new", true],
			["Go to Content", "/content", false],
			["Go to Types", "/types", true],
			["Go to Terms", "/terms", true],
			["Go to Files", "/files", false],
			["Go to People", "/people", true],
			["Go to My account", "/account", false],
		] as [string, string, boolean][]
	)
		.filter(([, , managers]) => !managers || user.role === "manager")
		.map(([title, to]) => ({ kind: "action", title, about: "Action", to }))
		.filter((one) => one.title.toLowerCase().includes(words.trim().toLowerCase()));
	const shown = words.trim() === "" ? actions : [...(found.data ?? []), ...actions];
	const pick = (one: Found) => {
		setOpen(false);
		setWords("");
		box.current?.blur();
		one.kind === "page" ? window.open(one.to, "_blank", "noreferrer") : void go(one.to);
	};

	return (
		<div className="relative order-none">
			<input
				ref={box}
				type="search"
				role="combobox"
				className="w-36 sm:w-56 h-8 rounded-field bg-[#23555b] text-[#f5f8f6] placeholder:text-[#c6dadb] px-3 text-[0.88rem]"
				placeholder="Find anything  /"
				aria-label="Find anything"
				aria-expanded={open}
				aria-controls="command-found"
				aria-activedescendant={open && shown[at] ? `command-${at}` : undefined}
				autoComplete="off"
				value={words}
				onFocus={() => setOpen(true)}
				onBlur={(event) => !event.currentTarget.parentElement?.contains(event.relatedTarget) && setOpen(false)}
				onChange={(event) => {
					setWords(event.target.value);
					setAt(0);
					setOpen(true);
				}}
				onKeyDown={(event) => {
					const one = shown[at];
					if (event.key === "ArrowDown" || event.key === "ArrowUp") {
						event.preventDefault();
						setAt((now) => (now + (event.key === "ArrowDown" ? 1 : shown.length - 1)) % Math.max(1, shown.length));
					} else if (event.key === "Enter" && one) {
						event.preventDefault();
						pick(one);
					} else if (event.key === "Escape") {
						setOpen(false);
						box.current?.blur();
					}
				}}
			/>
			{open && (
				<div
					id="command-found"
					role="listbox"
					aria-label="Found"
					className="absolute right-0 top-full mt-1 z-40 w-[min(26rem,90vw)] max-h-[70vh] overflow-y-auto bg-base-100 text-base-content border border-base-300 rounded-box shadow-xl p-1.5"
				>
					{shown.map((one, i) => (
						<div
							key={`${one.kind} ${one.to} ${one.title}`}
							id={`command-${i}`}
							role="option"
							tabIndex={-1}
							aria-selected={i === at}
							className={`flex gap-3 px-3 py-1.5 rounded-field cursor-pointer ${i === at ? "bg-accent" : ""}`}
							onMouseEnter={() => setAt(i)}
							onMouseDown={(event) => {
								event.preventDefault();
								pick(one);
							}}
						>
							<span className="flex-1 font-semibold">{one.title}</span>
							<span className="text-quiet text-[0.85rem]">{one.about}</span>
						</div>
					))}
					{shown.length === 0 && <p className="px-3 py-1.5 text-quiet">Nothing has these words.</p>}
				</div>
			)}
			{keys && (
				<Sheet title="Keys" onClose={() => setKeys(false)}>
					<dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
						{SHORTCUTS.map(([key, what]) => (
							<div key={key} className="contents">
								<dt className="font-semibold whitespace-nowrap">{key}</dt>
								<dd>{what}</dd>
							</div>
						))}
					</dl>
				</Sheet>
			)}
		</div>
	);
}
