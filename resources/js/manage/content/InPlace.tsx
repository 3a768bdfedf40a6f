import { type KeyboardEvent, type ReactNode, useRef, useState } from "react";
import { flushSync } from "react-dom";

const CONTROL = "input, select, textarea, [role=textbox]";

/** True if the focus leaves an open value by Tab; the next value then opens as well. */
let goingOn = false;

/**
 * A value as text that opens its control in place: by a click, Enter, or the first letter of the new value. Leaving the
 * control, Enter and Escape close it; Escape restores the old value. It stays open while the value has a problem.
 */
export function InPlace({
	id,
	label,
	hiddenLabel = false,
	words,
	note,
	value,
	onChange,
	problem,
	block = false,
	children,
}: {
	id: string;
	label: string;
	hiddenLabel?: boolean;
	words: ReactNode;
	/** Extra text for screen readers, if the value does not explain the problem. */
	note?: string | undefined;
	value: unknown;
	onChange: (value: unknown) => void;
	problem?: string | undefined;
	/** True for several controls in a line of their own. */
	block?: boolean;
	children: ReactNode;
}) {
	const [isOpen, setOpen] = useState(false);
	const before = useRef<unknown>(null);
	const box = useRef<HTMLDivElement>(null);
	const button = useRef<HTMLButtonElement>(null);
	const open = () => {
		before.current = value;
		flushSync(() => setOpen(true));
		const control =
			box.current?.querySelector<HTMLElement>(CONTROL) ??
			box.current?.querySelector<HTMLElement>("button") ??
			box.current;
		control?.focus();
		if (control instanceof HTMLInputElement) {
			control.select();
		}
	};
	const close = () => {
		flushSync(() => setOpen(false));
		button.current?.focus();
	};
	if (!isOpen && problem === undefined) {
		return (
			<span className="inline-flex items-baseline gap-2 min-w-0">
				<span id={`${id}-label`} className={hiddenLabel ? "sr-only" : "text-quiet shrink-0"}>
					{label}
				</span>
				<button
					ref={button}
					id={id}
					type="button"
					className={`word short !text-left min-w-0 break-words ${note ? "!text-secondary" : ""}`}
					aria-labelledby={`${id}-label ${id}`}
					onClick={open}
					onFocus={() => goingOn && queueMicrotask(open)}
					onKeyDown={(event) => {
						if (/^[\p{L}\p{N}.,-]$/u.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey) {
							open();
						}
					}}
				>
					{words}
					{note && <span className="sr-only"> ({note})</span>}
				</button>
			</span>
		);
	}
	const onKeyDown = (event: KeyboardEvent) => {
		if (event.key === "Tab") {
			goingOn = true;
			setTimeout(() => {
				goingOn = false;
			});
		}
		if (event.defaultPrevented || event.nativeEvent.isComposing) {
			return;
		}
		if (event.key === "Enter" && (event.target as HTMLElement).matches("input, select") && !block) {
			event.preventDefault();
			close();
		} else if (event.key === "Escape") {
			event.stopPropagation();
			onChange(before.current);
			close();
		}
	};
	return (
		// biome-ignore lint/a11y/noStaticElementInteractions: the keys belong to the control inside
		<div
			ref={box}
			tabIndex={-1}
			className={`outline-none min-w-0 ${block ? "basis-full max-w-2xl py-1" : ""}`}
			// In the capture phase, because number boxes stop Enter.
			onKeyDownCapture={(event) => {
				if (event.key === "Enter" && (event.target as HTMLElement).matches("[data-number]")) {
					event.preventDefault();
					close();
				}
			}}
			onKeyDown={onKeyDown}
			onBlur={(event) => {
				if (!event.currentTarget.contains(event.relatedTarget)) {
					setOpen(false);
				}
			}}
		>
			{children}
		</div>
	);
}
