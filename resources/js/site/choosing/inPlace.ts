/** Loads an address and replaces the listing, the filters and the current choices in place. */
import { announce, failure } from "../shared/announce";
import { CHANGED } from "../shared/each";
import { fetchPage } from "../shared/fetchPage";
import { finder, withFocus } from "../shared/focus";
import { say } from "../shared/words";

/** Delay in milliseconds before a slow choice shows its progress. */
const SLOW = 200;

let asked = new AbortController();

const regions = (root: ParentNode, key?: string) => [
	...root.querySelectorAll<HTMLElement>(key === undefined ? "[data-choices-of]" : `[data-choices-of="${key}"]`),
];

/** The request in progress, and its form, if a form started it. */
let pending: { form: string | undefined; done: Promise<void> } | null = null;

interface Asking {
	/**
	 * True if the address becomes the page's address; false if it already is, or if only the number of results is
	 * needed.
	 */
	push?: boolean;
	/** The offer whose parts are replaced; all of them by default. */
	key?: string;
	/** The form with the state of the address. */
	form?: string;
}

/** Loads an address and shows it in place. Only the latest answer counts. */
export function show(address: string, asking: Asking = {}): Promise<void> {
	asked.abort();
	asked = new AbortController();
	const mine = { form: asking.form, done: load(address, asked.signal, asking) };
	pending = mine;
	return mine.done.finally(() => {
		pending = pending === mine ? null : pending;
	});
}

async function load(address: string, dropped: AbortSignal, asking: Asking): Promise<void> {
	const { push = true, key } = asking;
	const here = regions(document, key);
	const slow = window.setTimeout(() => mark(here, true), SLOW);
	for (const old of document.querySelectorAll(".choice-fault")) {
		old.remove();
	}
	try {
		const found = await fetchPage(address, dropped);
		await released;
		await closed(here);
		if (dropped.aborted) {
			return;
		}
		if (found.status !== 200) {
			// The page no longer exists, so trying again would not help.
			location.assign(address);
			return;
		}
		const now = canonical(found.page) ?? found.address.pathname + found.address.search;
		if (push && now !== location.pathname + location.search) {
			// On Back, a listing that was extended has the same scroll position.
			history.replaceState({ ...(history.state ?? {}), scrolled: window.scrollY }, "");
			// Before the new listing is in place: it must not take over the loaded pages of the old one.
			history.pushState({ chosen: true }, "", now);
		}
		put(found.page, here);
		const within = key === undefined ? "" : `[data-choices-of="${key}"] `;
		announce(document.querySelector(`${within}.count`)?.textContent?.trim() ?? "");
	} catch (fault) {
		if (!dropped.aborted) {
			const box = failure(say("loading.failed"), () => void show(address, asking));
			(here.find((one) => one.matches(".results")) ?? here[0])?.prepend(box);
		} else if (!(fault instanceof DOMException)) {
			throw fault;
		}
	} finally {
		clearTimeout(slow);
		if (!dropped.aborted) {
			mark(regions(document), false);
		}
	}
}

/**
 * Runs an action on a control after requests in progress, which may replace the control's address or its form. If the
 * answer has no such control, nothing happens.
 */
export async function inTurn(control: HTMLElement, act: (control: HTMLElement) => void, form?: string): Promise<void> {
	const region = control.closest<HTMLElement>("[data-choices-of]");
	const again = region && region !== control ? finder(control, region) : () => control;
	while (pending && (form === undefined || pending.form !== form)) {
		await pending.done;
	}
	const now = again();
	if (now) {
		act(now);
	}
}

/** Waits until the visitor has closed a dialog, such as a large picture. */
async function closed(parts: HTMLElement[]): Promise<void> {
	const open = parts.map((part) => part.querySelector("dialog[open]")).find((one) => one !== null);
	if (open) {
		await new Promise((resolve) => open.addEventListener("close", resolve, { once: true }));
	}
}

/** Waits until the visitor has released a range handle. */
let released = Promise.resolve();

document.addEventListener("pointerdown", (event) => {
	if ((event.target as Element).matches('input[type="range"]')) {
		released = new Promise((resolve) => {
			const release = () => window.setTimeout(resolve);
			document.addEventListener("pointerup", release, { once: true });
			document.addEventListener("pointercancel", release, { once: true });
		});
	}
});

function mark(parts: HTMLElement[], isWaiting: boolean): void {
	for (const part of parts) {
		part.classList.toggle("is-waiting", isWaiting);
		part.setAttribute("aria-busy", String(isWaiting));
	}
}

/** The canonical address of the page, without its host. */
function canonical(page: Document): string | null {
	const link = page.querySelector<HTMLLinkElement>('link[rel="canonical"]');
	const own = link ? new URL(link.href) : null;
	return own ? own.pathname + own.search : null;
}

/** Replaces parts of the page, and keeps open filters, the focus and the scroll position. */
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

/** A new layout may need further scripts. */
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
