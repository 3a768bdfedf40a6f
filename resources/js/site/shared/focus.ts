/** The identity of a control within its part of the page, before and after that is replaced. */
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

/** Finds a control again after its part of the page was replaced. */
export function finder(control: HTMLElement, region: HTMLElement): () => HTMLElement | undefined {
	const own = signature(control);
	const alike = () => focusable(region).filter((element) => signature(element) === own);
	const place = alike().indexOf(control);
	return () => alike()[place];
}

/** Typed text that is not sent yet. */
const typedInto = (box: Element): string | null =>
	box instanceof HTMLInputElement && /^(search|number|date)$/.test(box.type) && box.value !== box.defaultValue
		? box.value
		: null;

/** Typed text stays, and the new box sends it when it loses the focus. */
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
			// A removed box does not send its text.
			if (!isTold && box.value !== box.defaultValue) {
				box.dispatchEvent(new Event("change", { bubbles: true }));
			}
		};
		box.addEventListener("blur", tell, { once: true });
	}
}

/** Replaces a part of the page and keeps the focus on the same control. */
export function withFocus(region: HTMLElement, change: () => void): void {
	const active = document.activeElement;
	if (!(active instanceof HTMLElement) || !region.contains(active) || active === region) {
		change();
		return;
	}
	const again = finder(active, region);
	const at = focusable(region).indexOf(active);
	const typed = typedInto(active);
	// Number boxes have no readable caret position.
	const caret = active instanceof HTMLInputElement && active.type === "search" ? active.selectionStart : null;
	if (active instanceof HTMLInputElement && typed !== null) {
		// A removed box with typed text would send a change event in the middle of the replacement.
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
