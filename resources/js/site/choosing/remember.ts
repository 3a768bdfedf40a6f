import { announce } from "../shared/announce";
import { say } from "../shared/words";
import { show } from "./inPlace";

/** Stores the order, page size and layout of a listing in this browser if the visitor asks for it. */
export function beginRemembering(button: HTMLElement): void {
	const key = button.dataset.remember ?? "";
	const stored = `wellspring-choices-${key}`;
	const names = ["sort", "size", "as"].map((name) => `${key}-${name}`);
	const current = () => {
		const here = new URLSearchParams(location.search);
		return new URLSearchParams(names.flatMap((name) => (here.has(name) ? [[name, here.get(name) ?? ""]] : [])));
	};
	const update = () => {
		const isKept = localStorage.getItem(stored) !== null;
		button.hidden = !isKept && current().size === 0;
		button.textContent = say(isKept ? "choices.forget" : "choices.remember");
		button.setAttribute("aria-pressed", String(isKept));
	};
	button.addEventListener("click", () => {
		if (localStorage.getItem(stored) === null) {
			localStorage.setItem(stored, current().toString());
			announce(say("choices.remembered"));
		} else {
			localStorage.removeItem(stored);
			announce(say("choices.forgotten"));
		}
		update();
	});
	update();
}

/** Applies stored values that the address does not contain. */
export function recall(): void {
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
