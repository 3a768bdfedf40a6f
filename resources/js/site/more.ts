/**
 * Extends listings in place instead of following the link to the next page. On Back, the listing has its earlier length
 * and scroll position.
 */
import { announce, failure } from "./shared/announce";
import { append } from "./shared/appendPage";
import { onEach } from "./shared/each";
import { fetchPage } from "./shared/fetchPage";
import { say } from "./shared/words";

/** The history state of a page: the loaded pages of each listing, and the scroll position. */
interface Kept {
	loaded?: Record<string, string[]>;
	scrolled?: number;
}

const kept = (): Kept => (history.state as Kept | null) ?? {};

function keep(more: Kept): void {
	history.replaceState({ ...kept(), ...more }, "");
}

function begin(nav: HTMLElement): void {
	const key = nav.dataset.more ?? "";
	const goesOn = nav.dataset.loads !== undefined;
	let left = Number(nav.dataset.loads ?? 0);

	const next = () => nav.querySelector<HTMLAnchorElement>('a[rel="next"]');
	const listing = () => document.getElementById(key);

	/** Appends a page; returns false if it does not contain the listing. */
	const put = (page: Document, link: HTMLAnchorElement, isQuiet = false): boolean => {
		const more = page.getElementById(key);
		const here = listing();
		if (!more || !here) {
			return false;
		}
		const hadFocus = document.activeElement === link;
		const { first, added } = append(here, more, nav);
		const onward = more.querySelector<HTMLAnchorElement>('nav.more a[rel="next"]');
		if (onward) {
			link.href = onward.href;
		} else {
			link.remove();
		}
		if (hadFocus && !isQuiet) {
			first?.querySelector<HTMLElement>("a")?.focus({ preventScroll: true });
		}
		if (!isQuiet) {
			announce(say("choices.more", { n: added }));
		}
		return true;
	};

	const load = async (link: HTMLAnchorElement): Promise<void> => {
		if (nav.hasAttribute("aria-busy")) {
			// A second request would append the page twice.
			return;
		}
		const address = link.href.replace(/#.*$/, "");
		nav.querySelector(".choice-fault")?.remove();
		nav.setAttribute("aria-busy", "true");
		try {
			const { page, status } = await fetchPage(address);
			if (nav.isConnected && status === 200 && put(page, link)) {
				const loaded = kept().loaded ?? {};
				keep({ loaded: { ...loaded, [key]: [...(loaded[key] ?? []), address] } });
			} else if (status === 404) {
				link.remove();
				announce(say("loading.noMore"));
			} else if (nav.isConnected) {
				throw new Error("The listing is not on the page.");
			}
		} catch {
			left = 0;
			nav.append(failure(say("loading.moreFailed"), () => void load(link)));
		} finally {
			nav.removeAttribute("aria-busy");
		}
	};

	/** Restores the length that the listing had when the visitor left the page. */
	const restore = async (): Promise<void> => {
		const addresses = kept().loaded?.[key] ?? [];
		if (addresses.length === 0) {
			return;
		}
		left = Math.max(0, left - addresses.length);
		const scrolled = kept().scrolled ?? 0;
		nav.setAttribute("aria-busy", "true");
		const pages = await Promise.all(addresses.map((one) => fetchPage(one).catch(() => null)));
		if (!nav.isConnected) {
			// A choice has replaced the listing in the meantime.
			return;
		}
		for (const [i, found] of pages.entries()) {
			const link = next();
			// A page that does not continue this listing belongs to another choice.
			const follows = link?.href.replace(/#.*$/, "") === addresses[i];
			if (found?.status !== 200 || !link || !follows || !put(found.page, link, true)) {
				break;
			}
		}
		nav.removeAttribute("aria-busy");
		window.scrollTo(0, scrolled);
	};

	/** Says once why automatic loading has stopped. */
	const stop = () => {
		if (goesOn && next() && !nav.querySelector(".more-why")) {
			const why = document.createElement("p");
			why.className = "more-why";
			why.textContent = say("loading.stops");
			nav.append(why);
		}
	};

	nav.addEventListener("click", (event) => {
		const link = (event.target as Element).closest<HTMLAnchorElement>('a[rel="next"]');
		if (link && !event.metaKey && !event.ctrlKey && !event.shiftKey && event.button === 0) {
			event.preventDefault();
			nav.querySelector(".more-why")?.remove();
			void load(link);
		}
	});

	const watch = new IntersectionObserver(
		async (seen) => {
			const link = next();
			if (seen.some((one) => one.isIntersecting) && link && !nav.hasAttribute("aria-busy")) {
				watch.unobserve(nav);
				if (left > 0) {
					left -= 1;
					await load(link);
				}
				if (left > 0 && next()) {
					// Observes again, because the end may still be visible.
					watch.observe(nav);
				} else {
					stop();
				}
			}
		},
		{ rootMargin: "300px" },
	);

	void restore().then(() => {
		if (left > 0) {
			watch.observe(nav);
		} else {
			stop();
		}
	});
}

if (kept().loaded) {
	history.scrollRestoration = "manual";
}
window.addEventListener("pagehide", () => {
	if (kept().loaded) {
		keep({ scrolled: window.scrollY });
	}
});
onEach("nav[data-more]", begin);
