import { type FocusEvent, useMemo, useRef, useState } from "react";
import { Autocomplete, Input, ListBox, ListBoxItem, SearchField } from "react-aria-components";

export interface Option {
	key: string;
	label: string;
	/** What tells it from others of the same name. */
	beside?: string;
}

/** So many are listed at once; typing finds the others. */
const LISTED = 50;

/** One of many, found by typing a part of its name. Where the words are deleted, it is none. */
export function PickByTyping({
	label,
	placeholder,
	options,
	value,
	onPick,
	id,
	isInvalid = false,
}: {
	label: string;
	placeholder: string;
	options: Option[];
	value: string | null;
	onPick: (key: string | null) => void;
	id?: string | undefined;
	isInvalid?: boolean;
}) {
	const now = options.find((one) => one.key === value)?.label ?? value ?? "";
	/** What is typed; null while nothing is, and the list is shut. */
	const [words, setWords] = useState<string | null>(null);
	const input = useRef<HTMLInputElement>(null);
	const wanted = words === now ? "" : (words ?? "").trim().toLowerCase();
	const found = useMemo(
		() => options.filter((one) => wanted === "" || one.label.toLowerCase().includes(wanted)),
		[options, wanted],
	);
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
						// While a row of the list is marked, the input is told of a focus with every letter.
						onFocus={(event) => words === null && event.currentTarget.select()}
					/>
				</SearchField>
				{words !== null && (
					<div className="absolute top-full left-0 z-20 mt-1 w-72 max-w-[80vw] bg-base-100 border border-base-300 rounded-box shadow-lg">
						<ListBox<Option>
							aria-label={label}
							items={found.slice(0, LISTED)}
							className="p-1.5 outline-none max-h-64 overflow-y-auto"
							onAction={(key) => {
								setWords(null);
								onPick(String(key));
								input.current?.focus();
							}}
							renderEmptyState={() => <p className="text-quiet text-[0.85rem] px-2 py-1">Nothing of that name.</p>}
						>
							{(one) => (
								<ListBoxItem
									id={one.key}
									textValue={one.label}
									className="px-2 py-1 rounded-field cursor-pointer outline-none data-[focused]:bg-accent"
								>
									{one.label}
									{one.beside && <span className="text-quiet text-[0.82rem]"> {one.beside}</span>}
								</ListBoxItem>
							)}
						</ListBox>
						{found.length > LISTED && (
							<p className="text-quiet text-[0.82rem] px-3.5 pb-2">{found.length - LISTED} more; type to narrow.</p>
						)}
					</div>
				)}
			</Autocomplete>
		</div>
	);
}
