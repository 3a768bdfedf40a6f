/**
 * Updates the page in place when a visitor makes a choice. The address changes as well; without scripts the form and
 * the links work.
 */
import { addressOf } from "./choosing/choiceAddress";
import { beginDrawers } from "./choosing/drawer";
import { inTurn, show } from "./choosing/inPlace";
import { beginNear } from "./choosing/near";
import { beginRange } from "./choosing/range";
import { beginRemembering, recall } from "./choosing/remember";
import { beginTabs } from "./choosing/tabs";
import { onEach } from "./shared/each";

const TYPING = 350;

const LINKS = ".filters a, .chosen a, .tools a, .without a, .results .pages:not(.more) a, .results th a";

/** The choices form of a control, if it has one. */
function formOf(target: EventTarget | null): HTMLFormElement | null {
	const form = (target as HTMLInputElement | null)?.form ?? null;
	return form?.matches("form[data-choices]") ? form : null;
}

const keyOf = (form: HTMLFormElement) => form.dataset.choices ?? "";

/** A search form on its own page leads to another page, and only shows the number of results. */
const leadsElsewhere = (form: HTMLFormElement) => new URL(form.action).pathname !== location.pathname;

function choose(form: HTMLFormElement): void {
	clearTimeout(typing);
	const address = addressOf(form);
	const key = keyOf(form);
	if (leadsElsewhere(form)) {
		void show(location.pathname + new URL(address).search, { push: false, key, form: key });
	} else {
		void show(address, { form: key });
	}
}

const chooseInTurn = (form: HTMLFormElement) => void inTurn(form, () => choose(form), keyOf(form));

/** Applies a control's choice, with all other values of its form. */
function chooseWith(control: HTMLInputElement | HTMLSelectElement, form: HTMLFormElement): void {
	const isBox = control instanceof HTMLInputElement && /^(checkbox|radio)$/.test(control.type);
	const said = isBox ? control.checked : control.value;
	void inTurn(
		control,
		(now) => {
			if (isBox) {
				(now as HTMLInputElement).checked = said as boolean;
			} else if (now !== control && now !== document.activeElement) {
				(now as HTMLInputElement).value = said as string;
			}
			choose(formOf(now) ?? form);
		},
		keyOf(form),
	);
}

let typing = 0;

document.addEventListener("input", (event) => {
	const control = event.target as HTMLInputElement;
	const form = formOf(control);
	if (form && control.type === "search") {
		clearTimeout(typing);
		typing = window.setTimeout(() => chooseWith(control, form), TYPING);
	}
});

document.addEventListener("change", (event) => {
	const control = event.target as HTMLInputElement;
	const form = formOf(control);
	if (form && control.type !== "search") {
		chooseWith(control, form);
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
			chooseInTurn(form);
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
	void inTurn(link, (now) => follow(now as HTMLAnchorElement));
});

async function follow(link: HTMLAnchorElement): Promise<void> {
	const results = link.closest<HTMLElement>(".results");
	const isPage = link.closest(".pages") !== null;
	await show(link.pathname + link.search);
	if (isPage && results) {
		results.scrollIntoView({ block: "start" });
		results.querySelector<HTMLElement>(".cards a")?.focus({ preventScroll: true });
	}
}

history.replaceState({ ...(history.state ?? {}), chosen: true }, "");
window.addEventListener("popstate", (event) => {
	if (event.state?.chosen) {
		void show(location.pathname + location.search, { push: false });
	}
});

// On Back, a search form has its earlier values and number of results.
window.addEventListener("pageshow", (event) => {
	const [arrival] = performance.getEntriesByType("navigation") as PerformanceNavigationTiming[];
	if (arrival?.type === "back_forward" && !event.persisted) {
		for (const form of document.querySelectorAll<HTMLFormElement>("form[data-choices]")) {
			if (leadsElsewhere(form)) {
				chooseInTurn(form);
			}
		}
	}
});

onEach("[data-range]", beginRange);
onEach("[data-near]", beginNear);
onEach(".choice-tabs", beginTabs);
onEach("[data-remember]", beginRemembering);
beginDrawers();
recall();
