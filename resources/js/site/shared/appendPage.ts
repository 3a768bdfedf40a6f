/** The elements with the records of a listing. */
const LIST = "ul.cards, ol.cards, table.cards > tbody";

/**
 * Appends the records of another page to a listing, before its page links. A group that continues is merged. Returns
 * the first added record, and the number of records.
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
