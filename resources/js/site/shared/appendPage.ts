/** What holds the records of a listing. */
const LIST = "ul.cards, ol.cards, table.cards > tbody";

/**
 * Adds the records of another page of a listing at the end of the listing, before its page links. A group that goes on
 * is continued. Returns the first record that was added, and how many there are.
 */
export function append(
	here: HTMLElement,
	more: HTMLElement,
	nav: HTMLElement,
): { first: HTMLElement | null; added: number } {
	const heads = [...here.querySelectorAll(".group-head")];
	const lastHead = heads[heads.length - 1]?.textContent?.trim() ?? "";
	let last = [...here.querySelectorAll<HTMLElement>(LIST)].pop();
	let first: HTMLElement | null = null;
	let count = 0;
	let isNew = false;
	for (const part of more.querySelectorAll<HTMLElement>(`.group-head, ${LIST}`)) {
		if (part.matches(".group-head")) {
			isNew = part.textContent?.trim() !== lastHead;
			if (isNew) {
				nav.before(document.adoptNode(part));
			}
			continue;
		}
		count += part.children.length;
		if (last && !isNew) {
			const added = [...part.children] as HTMLElement[];
			first ??= added[0] ?? null;
			last.append(...added);
			last.dispatchEvent(new CustomEvent("records-added", { bubbles: true, detail: added }));
		} else {
			last = document.adoptNode(part);
			nav.before(last.closest(".table-box, .slideshow, .ticker") ?? last);
			first ??= last.querySelector<HTMLElement>(".card");
		}
	}
	return { first, added: count };
}
