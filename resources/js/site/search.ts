/**
 * Suggests pages while a visitor types into a search box (WAI-ARIA Authoring Practices, Combobox with list
 * autocomplete). Without scripts the form works.
 */
import { onEach } from "./shared/each";
import { say } from "./shared/words";

interface Suggestion {
	title: string;
	address: string;
	kind: string;
}

const WAIT = 180;

let boxes = 0;

function begin(input: HTMLInputElement): void {
	boxes += 1;
	const list = document.createElement("ul");
	list.id = `suggested-${boxes}`;
	list.className = "suggested";
	list.setAttribute("role", "listbox");
	list.setAttribute("aria-label", say("search.suggestions"));
	list.hidden = true;
	input.after(list);
	input.setAttribute("role", "combobox");
	input.setAttribute("aria-autocomplete", "list");
	input.setAttribute("aria-controls", list.id);
	input.setAttribute("aria-expanded", "false");
	input.autocomplete = "off";
	let asked = new AbortController();
	let timer = 0;
	let at = -1;

	const options = () => [...list.querySelectorAll<HTMLElement>("[role=option]")];

	const point = (to: number) => {
		const all = options();
		at = all.length === 0 ? -1 : (to + all.length + 1) % (all.length + 1);
		at = at === all.length ? -1 : at;
		for (const [i, option] of all.entries()) {
			option.setAttribute("aria-selected", String(i === at));
		}
		const chosen = all[at];
		if (chosen) {
			input.setAttribute("aria-activedescendant", chosen.id);
			chosen.scrollIntoView({ block: "nearest" });
		} else {
			input.removeAttribute("aria-activedescendant");
		}
	};

	const show = (found: Suggestion[]) => {
		list.replaceChildren(
			...found.map((one, i) => {
				const option = document.createElement("li");
				option.id = `${list.id}-${i}`;
				option.setAttribute("role", "option");
				option.setAttribute("aria-selected", "false");
				option.dataset.address = one.address;
				const kind = document.createElement("span");
				kind.className = "n";
				kind.textContent = one.kind;
				option.append(one.title, " ", kind);
				return option;
			}),
		);
		list.hidden = found.length === 0;
		input.setAttribute("aria-expanded", String(!list.hidden));
		point(-1);
	};

	const ask = async () => {
		asked.abort();
		asked = new AbortController();
		const words = input.value.trim();
		if (words.length < 2) {
			show([]);
			return;
		}
		const { signal } = asked;
		try {
			const answer = await fetch(`/search/suggest?q=${encodeURIComponent(words)}`, { signal });
			const found = answer.ok ? ((await answer.json()) as Suggestion[]) : [];
			if (!signal.aborted) {
				show(found);
			}
		} catch {
			// Without suggestions, the search still works.
			if (!signal.aborted) {
				show([]);
			}
		}
	};

	/** Drops suggestions that arrive later. */
	const close = () => {
		clearTimeout(timer);
		asked.abort();
		show([]);
	};

	const go = (option: HTMLElement | undefined) => {
		if (option?.dataset.address) {
			location.href = option.dataset.address;
		}
	};

	input.addEventListener("input", () => {
		clearTimeout(timer);
		timer = window.setTimeout(() => void ask(), WAIT);
	});
	input.addEventListener("keydown", (event) => {
		const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
		if (by && !list.hidden) {
			event.preventDefault();
			point(at === -1 && by === -1 ? options().length - 1 : at + by);
		} else if (event.key === "Enter" && at >= 0) {
			event.preventDefault();
			go(options()[at]);
		} else if (event.key === "Escape") {
			if (!list.hidden) {
				event.preventDefault();
			}
			close();
		}
	});
	list.addEventListener("mousedown", (event) => event.preventDefault());
	list.addEventListener("click", (event) =>
		go((event.target as Element).closest<HTMLElement>("[role=option]") ?? undefined),
	);
	input.addEventListener("blur", close);
}

onEach('.search-box input[type="search"]', (input) => begin(input as HTMLInputElement));
