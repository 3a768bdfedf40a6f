/** What is sent to a part of the page whose content was put in place anew. */
export const CHANGED = "listing-changed";

/** Begins on all elements that fit, those of the page and those that come when a part of it is put in place anew. */
export function onEach(selector: string, begin: (element: HTMLElement) => void): void {
	const within = (root: ParentNode) => {
		for (const element of root.querySelectorAll<HTMLElement>(selector)) {
			begin(element);
		}
	};
	within(document);
	document.addEventListener(CHANGED, (event) => within(event.target as HTMLElement));
}
