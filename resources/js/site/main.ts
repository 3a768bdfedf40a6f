/** Makes listings longer in place where a link leads to their next page; without scripts the links do. */
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
			const heads = [...here.querySelectorAll(".group-head")];
			const lastHead = heads[heads.length - 1]?.textContent?.trim() ?? "";
			let lastList = [...here.querySelectorAll("ul.cards")].pop();
			let first: HTMLElement | null = null;
			for (const part of more.querySelectorAll<HTMLElement>(":scope > .group-head, :scope > ul.cards")) {
				if (part.matches(".group-head") && part.textContent?.trim() === lastHead) {
					continue;
				}
				const goesOn =
					part.matches("ul.cards") &&
					lastList !== undefined &&
					!(
						part.previousElementSibling?.matches(".group-head") &&
						part.previousElementSibling.textContent?.trim() !== lastHead
					);
				if (goesOn && lastList) {
					first ??= part.querySelector<HTMLElement>("li");
					lastList.append(...part.children);
				} else {
					const moved = document.adoptNode(part);
					nav.before(moved);
					first ??= moved.querySelector<HTMLElement>("li");
					if (moved.matches("ul.cards")) {
						lastList = moved as HTMLUListElement;
					}
				}
			}
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
