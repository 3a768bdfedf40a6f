/**
 * Links as tabs: Tab reaches one of them, and the arrow keys, Home and End the others (WAI-ARIA Authoring Practices,
 * Tabs with manual activation).
 */
export function beginTabs(list: HTMLElement): void {
	const panel = document.getElementById(list.closest("section")?.id ?? "")?.querySelector<HTMLElement>(".results");
	const tabs = [...list.querySelectorAll<HTMLAnchorElement>("a")];
	if (!panel || tabs.length === 0) {
		return;
	}
	const chosen = tabs.find((one) => one.hasAttribute("aria-current")) ?? tabs[0];
	list.setAttribute("role", "tablist");
	for (const item of list.children) {
		item.setAttribute("role", "presentation");
	}
	for (const tab of tabs) {
		tab.setAttribute("role", "tab");
		tab.setAttribute("aria-selected", String(tab === chosen));
		tab.setAttribute("aria-controls", panel.id);
		tab.removeAttribute("aria-current");
		tab.tabIndex = tab === chosen ? 0 : -1;
	}
	const isRight = () => getComputedStyle(list).direction === "rtl";
	list.addEventListener("keydown", (event) => {
		const at = tabs.indexOf(document.activeElement as HTMLAnchorElement);
		const forward = isRight() ? "ArrowLeft" : "ArrowRight";
		const back = isRight() ? "ArrowRight" : "ArrowLeft";
		const to = { [forward]: at + 1, [back]: at - 1, Home: 0, End: tabs.length - 1 }[event.key];
		if (at >= 0 && to !== undefined) {
			event.preventDefault();
			tabs[(to + tabs.length) % tabs.length]?.focus();
		} else if (at >= 0 && event.key === " ") {
			event.preventDefault();
			tabs[at]?.click();
		}
	});
}
