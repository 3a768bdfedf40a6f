/** What tells a control apart from others of its part of the page, before and after it is put in place anew. */
function signature(element: Element): string {
	if (element instanceof HTMLInputElement || element instanceof HTMLSelectElement) {
		const isOption = element instanceof HTMLInputElement && /^(checkbox|radio)$/.test(element.type);
		return `${element.tagName} ${element.name} ${element.getAttribute("aria-label")} ${isOption ? element.value : ""}`;
	}
	const words = (element.textContent ?? "").replace(/[\d\s()]+/g, "");
	return `${element.tagName} ${element.closest("ul, nav, summary")?.className} ${words}`;
}

const focusable = (region: HTMLElement) => [
	...region.querySelectorAll<HTMLElement>("a[href], button, input, select, summary"),
];

/** Finds a control of a part of the page again after that was put in place anew. */
export function finder(control: HTMLElement, region: HTMLElement): () => HTMLElement | undefined {
	const own = signature(control);
	const alike = () => focusable(region).filter((element) => signature(element) === own);
	const place = alike().indexOf(control);
	return () => alike()[place];
}

/** What was typed into a box and not sent yet. */
const typedInto = (box: Element): string | null =>
	box instanceof HTMLInputElement && /^(search|number|date)$/.test(box.type) && box.value !== box.defaultValue
		? box.value
		: null;

/** What was typed is still there, and is told of when the box is left, as if it were the box it was typed into. */
function goOnTyping(box: HTMLInputElement, typed: string, caret: number | null): void {
	box.value = typed;
	if (caret !== null) {
		box.setSelectionRange(caret, caret);
	}
	if (box.type !== "search") {
		let isTold = false;
		box.addEventListener("change", () => {
			isTold = true;
		});
		const tell = () => {
			// What is taken away again with its part of the page says nothing.
			if (!isTold && box.value !== box.defaultValue) {
				box.dispatchEvent(new Event("change", { bubbles: true }));
			}
		};
		box.addEventListener("blur", tell, { once: true });
	}
}

/** Changes a part of the page; the focus, where it is in it, is on the same control afterwards. */
export function withFocus(region: HTMLElement, change: () => void): void {
	const active = document.activeElement;
	if (!(active instanceof HTMLElement) || !region.contains(active) || active === region) {
		change();
		return;
	}
	const again = finder(active, region);
	const at = focusable(region).indexOf(active);
	const typed = typedInto(active);
	// A box of numbers has no caret that could be asked for.
	const caret = active instanceof HTMLInputElement && active.type === "search" ? active.selectionStart : null;
	if (active instanceof HTMLInputElement && typed !== null) {
		// Taken away with what was typed, it would tell of it in the middle of the change.
		active.value = active.defaultValue;
	}
	change();
	const same = again();
	if (same instanceof HTMLInputElement && typed !== null) {
		goOnTyping(same, typed, caret);
	}
	const after = focusable(region);
	(same ?? after[Math.min(at, after.length - 1)])?.focus({ preventScroll: true });
}
