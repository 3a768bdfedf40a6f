import { type FocusEvent, useMemo, useRef, useState } from "react";
import { Autocomplete, Input, ListBox, ListBoxItem, SearchField } from "react-aria-components";

export interface Option {
	key: string;
	label: string;
	/** The plain name, if the label has more. */
	name?: string;
	/** Extra text for entries with the same name. */
	beside?: string;
}

/** The key of the row that creates an entry from the typed text. */
const MADE = "+make";

/** Maximum number of listed entries; typing finds the others. */
const LISTED = 50;

/**
 * A combo box: one entry of many, found by typing. Deleting the text chooses none. If only the server can search,
 * `onWords` receives the text, and `options` are the results; undefined while it searches.
 */
export function PickByTyping({
	label,
	placeholder,
	options,
	value,
	onPick,
	named,
	onWords,
	make,
	above = false,
	id,
	isInvalid = false,
}: {
	label: string;
	placeholder: string;
	options: Option[] | undefined;
	value: string | null;
	/** The name of the value if it is not among the options. */
	named?: string | undefined;
	onPick: (key: string | null) => void;
	onWords?: (words: string) => void;
	/** Creates an entry with the typed name if there is none: the row's label, and its action. */
	make?: { says: (words: string) => string; do: (words: string) => void } | undefined;
	/** True if the list opens above the box. */
	above?: boolean;
	id?: string | undefined;
	isInvalid?: boolean;
}) {
	const now = options?.find((one) => one.key === value)?.label ?? named ?? value ?? "";
	/** The typed text; null if the list is closed. */
	const [words, setTyped] = useState<string | null>(null);
	const setWords = (next: string | null) => {
		setTyped(next);
		onWords?.(next ?? "");
	};
	const input = useRef<HTMLInputElement>(null);
	const wanted = words === now ? "" : (words ?? "").trim().toLowerCase();
	const fitting = useMemo(
		() =>
			(options ?? []).filter(
				(one) => wanted === "" || onWords !== undefined || one.label.toLowerCase().includes(wanted),
			),
		[options, wanted, onWords],
	);
	const typed = (words ?? "").trim();
	const found: Option[] =
		make && wanted !== "" && !fitting.some((one) => (one.name ?? one.label).toLowerCase() === wanted)
			? [...fitting.slice(0, LISTED - 1), { key: MADE, label: make.says(typed) }]
			: fitting;
	const isOpen = words !== null && (onWords === undefined || words.trim() !== "");
	const pick = (key: string) => {
		setWords(null);
		if (key === MADE) {
			make?.do(typed);
		} else {
			onPick(key);
		}
		input.current?.focus();
	};
	const leave = ({ currentTarget, relatedTarget }: FocusEvent) => {
		if (!currentTarget.contains(relatedTarget)) {
			if (words === "" && value !== null) {
				onPick(null);
			}
			setWords(null);
		}
	};
	return (
		// biome-ignore lint/a11y/noStaticElementInteractions: it only learns that the focus left both input and list
		<div className="relative" onBlur={leave}>
			<Autocomplete inputValue={words ?? now} onInputChange={setWords}>
				<SearchField
					aria-label={label}
					isInvalid={isInvalid}
					onKeyDown={(event) => {
						if (event.key === "Escape" && words !== null) {
							setWords(null);
						} else if (event.key === "ArrowDown" && words === null) {
							setWords(now);
						} else if (event.key === "Enter" && isOpen) {
							// Enter does not submit the form. Without a marked row, it chooses the first match.
							event.preventDefault();
							const marked = input.current?.getAttribute("aria-activedescendant");
							if (marked && document.getElementById(marked)) {
								event.continuePropagation();
							} else if (found[0]) {
								pick(found[0].key);
							}
						} else {
							event.continuePropagation();
						}
					}}
				>
					<Input
						ref={input}
						{...(id ? { id } : {})}
						className="input input-sm w-full"
						placeholder={placeholder}
						onClick={() => setWords(words ?? now)}
						// While a row of the list is marked, the input gets a focus event with every letter.
						onFocus={(event) => words === null && event.currentTarget.select()}
					/>
				</SearchField>
				{isOpen && (
					<div
						className={`absolute ${above ? "bottom-full mb-1" : "top-full mt-1"} left-0 z-20 w-[max(100%,14rem)] max-w-[80vw]
							bg-base-100 border border-base-300 rounded-box shadow-lg`}
					>
						<ListBox<Option>
							aria-label={label}
							items={found.slice(0, LISTED)}
							className="p-1.5 outline-none max-h-64 overflow-y-auto"
							onAction={(key) => pick(String(key))}
							renderEmptyState={() => (
								<p className="text-quiet text-sm px-2 py-1">{options ? "Nothing of that name." : "Looking…"}</p>
							)}
						>
							{(one) => (
								<ListBoxItem
									id={one.key}
									textValue={one.label}
									className="px-2 py-1 rounded-field cursor-pointer outline-none data-[focused]:bg-accent"
								>
									{one.label}
									{one.beside && <span className="text-quiet text-xs"> {one.beside}</span>}
								</ListBoxItem>
							)}
						</ListBox>
						{found.length > LISTED && (
							<p className="text-quiet text-xs px-3.5 pb-2">{found.length - LISTED} more; type to narrow.</p>
						)}
					</div>
				)}
			</Autocomplete>
		</div>
	);
}
