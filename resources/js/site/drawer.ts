/** On a phone the filters open over the page, as a dialog: the focus stays in it until it is closed. */
export function beginDrawers(): void {
	let opener: HTMLElement | null = null;

	const close = (drawer: HTMLElement) => {
		drawer.classList.remove("is-open");
		drawer.removeAttribute("role");
		drawer.removeAttribute("aria-label");
		drawer.removeAttribute("aria-modal");
		document.documentElement.classList.remove("has-drawer");
		// The listing may have been put in place anew meanwhile, with its opener.
		const again = opener?.isConnected ? opener : drawer.parentElement?.querySelector<HTMLElement>(".open-filters");
		again?.focus();
	};

	document.addEventListener("click", (event) => {
		const target = event.target as Element;
		const open = target.closest<HTMLAnchorElement>(".open-filters");
		const drawer = open ? document.getElementById(open.hash.slice(1)) : target.closest<HTMLElement>(".choose.is-open");
		if (open && drawer) {
			event.preventDefault();
			opener = open;
			drawer.classList.add("is-open");
			drawer.setAttribute("role", "dialog");
			drawer.setAttribute("aria-label", drawer.querySelector(".choose-head span")?.textContent ?? "");
			drawer.setAttribute("aria-modal", "true");
			document.documentElement.classList.add("has-drawer");
			drawer.querySelector<HTMLElement>(".close-filters")?.focus();
		} else if (drawer && target.closest(".close-filters, .choose-submit button")) {
			event.preventDefault();
			close(drawer);
		}
	});

	document.addEventListener("keydown", (event) => {
		const drawer = document.querySelector<HTMLElement>(".choose.is-open");
		if (!drawer) {
			return;
		}
		if (event.key === "Escape") {
			close(drawer);
		} else if (event.key === "Tab") {
			const all = [
				...drawer.querySelectorAll<HTMLElement>("a[href], button, input:not(:disabled), select, summary"),
			].filter((one) => one.offsetParent !== null);
			const [first, last] = [all[0], all[all.length - 1]];
			const at = document.activeElement;
			if (event.shiftKey ? at === first : at === last) {
				event.preventDefault();
				(event.shiftKey ? last : first)?.focus();
			}
		}
	});
}
