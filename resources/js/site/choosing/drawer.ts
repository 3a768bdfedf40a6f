/** On a phone the filters open in a dialog over the page. */
export function beginDrawers(): void {
	document.addEventListener("click", (event) => {
		const target = event.target as Element;
		const opener = target.closest<HTMLAnchorElement>(".open-filters");
		const filters = opener && document.getElementById(opener.hash.slice(1));
		if (filters) {
			event.preventDefault();
			open(filters, opener.hash);
		} else if (target.closest(".drawer :is(.close-filters, .choose-submit button)")) {
			event.preventDefault();
			target.closest<HTMLDialogElement>(".drawer")?.close();
		}
	});
}

/** Moves the filters into a dialog, and back to their place when it closes. */
function open(filters: HTMLElement, hash: string): void {
	const drawer = document.createElement("dialog");
	drawer.className = "drawer";
	drawer.setAttribute("aria-label", filters.querySelector(".choose-head span")?.textContent ?? "");
	filters.before(drawer);
	drawer.append(filters);
	drawer.addEventListener("close", () => {
		drawer.replaceWith(filters);
		// The opener may be a new element, because a choice replaces its part of the page.
		document.querySelector<HTMLElement>(`.open-filters[href="${hash}"]`)?.focus();
	});
	drawer.showModal();
	drawer.querySelector<HTMLElement>(".close-filters")?.focus();
}
