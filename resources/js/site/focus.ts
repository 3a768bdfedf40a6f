/** What tells a control apart from others of its part of the page, before and after it is put in place anew. */
function signature(element: Element): string {
	if (element instanceof HTMLInputElement || element instanceof HTMLSelectElement) {
		const isOption = element instanceof HTMLInputElement && /^(checkbox|radio)$/.test(element.type);
		return `${element.tagName} ${element.name} ${element.getAttribute("aria-label")} ${isOption ? element.value : ""}`;
	}
	const words = (element.textContent ?? "").replace(/[\d\s()]+/g, "");
	return `${element.tagName} ${element.closest("ul, nav, summary")?.className} ${words}`;
}

const FOCUSABLE = "a[href], button, input, select, summary";

/** Changes a part of the page; the focus, where it is in it, is on the same control afterwards. */
export function withFocus(region: HTMLElement, change: () => void): void {
	const active = document.activeElement;
	if (!active || !region.contains(active) || active === region) {
		change();
		return;
	}
	const alike = (element: Element) => signature(element) === signature(active);
	const all = () => [...region.querySelectorAll<HTMLElement>(FOCUSABLE)];
	const before = all();
	const place = before.filter(alike).indexOf(active as HTMLElement);
	const at = before.indexOf(active as HTMLElement);
	const caret = active instanceof HTMLInputElement && active.type === "search" ? active.selectionStart : null;
	const typed = active instanceof HTMLInputElement && active.type === "search" ? active.value : null;
	change();
	const after = all();
	const same = after.filter(alike)[place];
	if (same instanceof HTMLInputElement && typed !== null) {
		same.value = typed;
	}
	(same ?? after[Math.min(at, after.length - 1)])?.focus({ preventScroll: true });
	if (same instanceof HTMLInputElement && caret !== null) {
		same.setSelectionRange(caret, caret);
	}
}
