/**
 * Prints a listing with the records of all its pages. The link is hidden until this script runs; without scripts each
 * page is printed separately.
 */
import { announce } from "./shared/announce";
import { append } from "./shared/appendPage";
import { onEach } from "./shared/each";
import { fetchPage } from "./shared/fetchPage";
import { say } from "./shared/words";

/** Maximum number of pages in one print. */
const MOST_PAGES = 100;

/** Maximum time in milliseconds to wait for pictures. */
const PATIENCE = 8000;

/** The listing with the records of all its pages. */
async function whole(id: string, first: string): Promise<HTMLElement | null> {
	let listing: HTMLElement | null = null;
	let address: string | undefined = first;
	for (let n = 0; address && n < MOST_PAGES; n += 1) {
		const { page } = await fetchPage(address);
		const more = page.getElementById(id);
		address = more?.querySelector<HTMLAnchorElement>('.pages a[rel="next"]')?.href.replace(/#.*$/, "");
		const nav = listing?.querySelector<HTMLElement>(".pages");
		if (listing && more && nav) {
			append(listing, more, nav);
		}
		listing ??= more && document.adoptNode(more);
	}
	return listing;
}

function loaded(picture: HTMLImageElement): Promise<unknown> {
	picture.loading = "eager";
	return picture.complete ? Promise.resolve() : picture.decode().catch(() => null);
}

async function print(link: HTMLAnchorElement): Promise<void> {
	const id = link.dataset.printAll ?? "";
	const listing = document.getElementById(id);
	link.setAttribute("aria-busy", "true");
	announce(say("loading.print"));
	try {
		const all = await whole(id, link.href);
		if (!all || !listing) {
			throw new Error("The listing is not on the page.");
		}
		listing.replaceWith(all);
		// After printing, the page returns to its earlier state.
		window.addEventListener("afterprint", () => all.replaceWith(listing), { once: true });
		const late = new Promise((done) => setTimeout(done, PATIENCE));
		await Promise.race([late, Promise.all([...all.querySelectorAll("img")].map(loaded))]);
		window.print();
	} catch {
		announce(say("loading.printFailed"));
	} finally {
		link.removeAttribute("aria-busy");
	}
}

onEach("a[data-print-all]", (element) => {
	const link = element as HTMLAnchorElement;
	link.hidden = false;
	link.addEventListener("click", (event) => {
		event.preventDefault();
		void print(link);
	});
});
