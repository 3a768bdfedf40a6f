/** The event for a part of the page whose content was replaced. */
export const CHANGED = "listing-changed";

/** Runs a function on all matching elements, now and whenever a part of the page is replaced. */
export function onEach(selector: string, begin: (element: HTMLElement) => void): void {
	const within = (root: ParentNode) => {
		for (const element of root.querySelectorAll<HTMLElement>(selector)) {
			begin(element);
		}
	};
	within(document);
	document.addEventListener(CHANGED, (event) => within(event.target as HTMLElement));
}
