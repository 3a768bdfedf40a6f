/**
 * Puts what a visitor's choice changes in place, without a new page: the listing, what can be chosen, and what is. The
 * address says the choice all the same, and without scripts the form and the links do.
 */
import { announce, failure } from "./announce";
import { addressOf } from "./choiceAddress";
import { beginDrawers } from "./drawer";
import { CHANGED, onEach } from "./each";
import { fetchPage } from "./fetchPage";
import { withFocus } from "./focus";
import { beginNear } from "./near";
import { beginRange } from "./range";
import { beginTabs } from "./tabs";

/** A choice that takes longer than this shows that it does. */
const SLOW = 200;

const TYPING = 350;

const LINKS = ".filters a, .chosen a, .tools a, .without a, .results .pages:not(.more) a, .results th a";

let asked = new AbortController();

const regions = (root: ParentNode, key?: string) => [
	...root.querySelectorAll<HTMLElement>(key === undefined ? "[data-choices-of]" : `[data-choices-of="${key}"]`),
];

/** Shows what an address says, in place; an answer that is not the latest is dropped. */
async function show(address: string, { push = true, key }: { push?: boolean; key?: string } = {}): Promise<void> {
	asked.abort();
	asked = new AbortController();
	const mine = asked;
	const here = regions(document, key);
	const slow = window.setTimeout(() => mark(here, true), SLOW);
	for (const old of document.querySelectorAll(".choice-fault")) {
		old.remove();
	}
	try {
		const found = await fetchPage(address, mine.signal);
		if (found.status !== 200) {
			throw new Error("404");
		}
		if (mine.signal.aborted) {
			return;
		}
		put(found.page, here);
		if (push) {
			history.pushState({ chosen: true }, "", canonical(found.page) ?? found.address.pathname + found.address.search);
		}
		announce(document.querySelector(`${key ? `[data-choices-of="${key}"] ` : ""}.count`)?.textContent?.trim() ?? "");
	} catch (fault) {
		if (!mine.signal.aborted) {
			const box = failure("This could not be loaded.", () => void show(address, { push, ...(key ? { key } : {}) }));
			(here.find((one) => one.matches(".results")) ?? here[0])?.prepend(box);
		} else if (!(fault instanceof DOMException)) {
			throw fault;
		}
	} finally {
		clearTimeout(slow);
		if (!mine.signal.aborted) {
			mark(regions(document), false);
		}
	}
}

function mark(parts: HTMLElement[], isWaiting: boolean): void {
	for (const part of parts) {
		part.classList.toggle("is-waiting", isWaiting);
		part.setAttribute("aria-busy", String(isWaiting));
	}
}

/** The address that the page calls its own, without what server it stands on. */
function canonical(page: Document): string | null {
	const link = page.querySelector<HTMLLinkElement>('link[rel="canonical"]');
	const own = link ? new URL(link.href) : null;
	return own ? own.pathname + own.search : null;
}

/** What is open stays open, and the focus and what is in sight stay where they were. */
function put(page: Document, here: HTMLElement[]): void {
	loadScripts(page);
	const [x, y] = [window.scrollX, window.scrollY];
	for (const region of here) {
		const fresh = page.getElementById(region.id);
		if (!fresh) {
			continue;
		}
		for (const filter of region.querySelectorAll<HTMLDetailsElement>("details[data-filter]")) {
			const same = fresh.querySelector<HTMLDetailsElement>(`details[data-filter="${filter.dataset.filter}"]`);
			if (same) {
				same.open = filter.open;
			}
		}
		const drawer = region.closest(".choose");
		const scrolled = drawer?.scrollTop ?? 0;
		withFocus(region, () => {
			region.className = fresh.className;
			region.replaceChildren(...[...fresh.childNodes].map((node) => document.adoptNode(node)));
			region.dispatchEvent(new CustomEvent(CHANGED, { bubbles: true }));
		});
		drawer?.scrollTo({ top: scrolled });
	}
	window.scrollTo(x, y);
}

/** A layout that was not there may bring scripts of its own. */
function loadScripts(page: Document): void {
	const known = new Set([...document.scripts].map((one) => one.src));
	for (const script of page.querySelectorAll<HTMLScriptElement>('script[type="module"][src]')) {
		if (!known.has(script.src)) {
			const made = document.createElement("script");
			made.type = "module";
			made.src = script.src;
			document.head.append(made);
		}
	}
}

/** The form that a control belongs to, where it is one of choices. */
function formOf(target: EventTarget | null): HTMLFormElement | null {
	const form = (target as HTMLInputElement | null)?.form ?? null;
	return form?.matches("form[data-choices]") ? form : null;
}

const keyOf = (form: HTMLFormElement) => form.dataset.choices ?? "";

/** On a page of its own a search form leads elsewhere, and only tells how many there would be. */
const leadsElsewhere = (form: HTMLFormElement) => new URL(form.action).pathname !== location.pathname;

function choose(form: HTMLFormElement): void {
	const address = addressOf(form);
	if (leadsElsewhere(form)) {
		void show(location.pathname + new URL(address).search, { push: false, key: keyOf(form) });
	} else {
		void show(address);
	}
}

let typing = 0;

document.addEventListener("input", (event) => {
	const form = formOf(event.target);
	if (form && (event.target as HTMLInputElement).type === "search") {
		clearTimeout(typing);
		typing = window.setTimeout(() => choose(form), TYPING);
	}
});

document.addEventListener("change", (event) => {
	const form = formOf(event.target);
	if (form && (event.target as HTMLInputElement).type !== "search") {
		choose(form);
	}
});

document.addEventListener("submit", (event) => {
	const form = event.target as HTMLFormElement;
	if (form.matches("form[data-choices]")) {
		event.preventDefault();
		clearTimeout(typing);
		if (leadsElsewhere(form)) {
			location.href = addressOf(form) + new URL(form.action).hash;
		} else {
			choose(form);
		}
	}
});

document.addEventListener("click", (event) => {
	const link = (event.target as Element).closest<HTMLAnchorElement>(LINKS);
	const isPlain = !event.metaKey && !event.ctrlKey && !event.shiftKey && event.button === 0;
	if (
		!link ||
		!isPlain ||
		event.defaultPrevented ||
		link.pathname !== location.pathname ||
		(!link.search && !link.rel)
	) {
		return;
	}
	event.preventDefault();
	const results = link.closest<HTMLElement>(".results");
	const isPage = link.closest(".pages") !== null;
	void show(link.pathname + link.search).then(() => {
		if (isPage && results) {
			results.scrollIntoView({ block: "start" });
			results.querySelector<HTMLElement>(".cards a")?.focus({ preventScroll: true });
		}
	});
});

history.replaceState({ ...(history.state ?? {}), chosen: true }, "");
window.addEventListener("popstate", (event) => {
	if (event.state?.chosen) {
		void show(location.pathname + location.search, { push: false });
	}
});

/** Order, page size and layout of a listing, kept in this browser where the visitor asks for it. */
function beginRemembering(button: HTMLElement): void {
	const key = button.dataset.remember ?? "";
	const stored = `wellspring-choices-${key}`;
	const names = ["sort", "size", "as"].map((name) => `${key}-${name}`);
	const current = () => {
		const here = new URLSearchParams(location.search);
		return new URLSearchParams(names.flatMap((name) => (here.has(name) ? [[name, here.get(name) ?? ""]] : [])));
	};
	const say = () => {
		const isKept = localStorage.getItem(stored) !== null;
		button.hidden = !isKept && current().size === 0;
		button.textContent = isKept ? "Forget this" : "Remember this";
		button.setAttribute("aria-pressed", String(isKept));
	};
	button.addEventListener("click", () => {
		if (localStorage.getItem(stored) === null) {
			localStorage.setItem(stored, current().toString());
			announce("Order, page size and layout are remembered in this browser");
		} else {
			localStorage.removeItem(stored);
			announce("Forgotten");
		}
		say();
	});
	say();
}

/** What was remembered holds where the address says nothing of it. */
function recall(): void {
	const here = new URLSearchParams(location.search);
	let isMore = false;
	for (const button of document.querySelectorAll<HTMLElement>("[data-remember]")) {
		const key = button.dataset.remember ?? "";
		const said = ["sort", "size", "as"].some((name) => here.has(`${key}-${name}`));
		for (const [name, value] of said
			? []
			: new URLSearchParams(localStorage.getItem(`wellspring-choices-${key}`) ?? "")) {
			here.set(name, value);
			isMore = true;
		}
	}
	if (isMore) {
		const address = `${location.pathname}?${here.toString().replaceAll("%2C", ",")}`;
		history.replaceState(history.state, "", address);
		void show(address, { push: false });
	}
}

onEach("[data-range]", beginRange);
onEach("[data-near]", beginNear);
onEach(".choice-tabs", beginTabs);
onEach("[data-remember]", beginRemembering);
beginDrawers();
recall();
