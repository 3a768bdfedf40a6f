/** What holds the records of a listing. */
const LIST = "ul.cards, ol.cards, table.cards > tbody";

/** Makes listings longer in place where a link leads to their next page; without scripts the links do. */
/**
 * Puts what another page of a listing holds at the end of what is here; a group that goes on is gone on with.
 * Returns the first record that was added.
 */
function append(here: HTMLElement, more: HTMLElement, nav: HTMLElement): HTMLElement | null {
	const heads = [...here.querySelectorAll(".group-head")];
	const lastHead = heads[heads.length - 1]?.textContent?.trim() ?? "";
	let last = [...here.querySelectorAll<HTMLElement>(LIST)].pop();
	let first: HTMLElement | null = null;
	let isNew = false;
	for (const part of more.querySelectorAll<HTMLElement>(`.group-head, ${LIST}`)) {
		if (part.matches(".group-head")) {
			isNew = part.textContent?.trim() !== lastHead;
			if (isNew) {
				nav.before(document.adoptNode(part));
			}
			continue;
		}
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
	return first;
}

function begin(nav: HTMLElement): void {
	const key = nav.dataset.more ?? "";
	let left = nav.dataset.loads === undefined ? 0 : Number(nav.dataset.loads);

	const next = () => nav.querySelector<HTMLAnchorElement>('a[rel="next"]');

	const load = async (link: HTMLAnchorElement): Promise<void> => {
		nav.setAttribute("aria-busy", "true");
		try {
			const answer = await fetch(link.href.replace(/#.*$/, ""));
			if (!answer.ok) {
				throw new Error(`${answer.status}`);
			}
			const page = new DOMParser().parseFromString(await answer.text(), "text/html");
			const more = page.getElementById(key);
			const here = document.getElementById(key);
			if (more === null || here === null) {
				throw new Error("The listing is not on the page.");
			}
			const first = append(here, more, nav);
			const onward = more.querySelector<HTMLAnchorElement>('nav.more a[rel="next"]');
			if (onward) {
				link.href = onward.href;
			} else {
				link.remove();
			}
			const focus = first?.querySelector<HTMLElement>("a");
			if (document.activeElement === link || document.activeElement === document.body) {
				focus?.focus({ preventScroll: true });
			}
		} catch {
			window.location.href = link.href;
		} finally {
			nav.removeAttribute("aria-busy");
		}
	};

	nav.addEventListener("click", (event) => {
		const link = (event.target as Element).closest<HTMLAnchorElement>('a[rel="next"]');
		if (link && !event.metaKey && !event.ctrlKey && !event.shiftKey && event.button === 0) {
			event.preventDefault();
			void load(link);
		}
	});

	if (left > 0) {
		const watch = new IntersectionObserver(
			async (seen) => {
				const link = next();
				if (seen.some((one) => one.isIntersecting) && link && left > 0 && !nav.hasAttribute("aria-busy")) {
					left -= 1;
					await load(link);
					// Asked anew, in case the end is still in sight.
					watch.unobserve(nav);
					if (left > 0 && next()) {
						watch.observe(nav);
					}
				}
			},
			{ rootMargin: "300px" },
		);
		watch.observe(nav);
	}
}

for (const nav of document.querySelectorAll<HTMLElement>("nav[data-more]")) {
	begin(nav);
}

export {};
