import { say } from "./words";

/** Announces a change of the page to screen readers. */
export function announce(words: string): void {
	let region = document.getElementById("announced");
	if (!region) {
		region = document.createElement("p");
		region.id = "announced";
		region.className = "unseen";
		region.setAttribute("role", "status");
		document.body.append(region);
	}
	region.textContent = "";
	// Screen readers ignore text that is added together with its live region.
	requestAnimationFrame(() => {
		region.textContent = words;
	});
}

/** A message with a button to try again. */
export function failure(words: string, again: () => void): HTMLElement {
	const box = document.createElement("p");
	box.className = "choice-fault";
	box.setAttribute("role", "alert");
	const button = document.createElement("button");
	button.type = "button";
	button.className = "quiet-button";
	button.textContent = say("loading.again");
	button.addEventListener("click", again);
	box.append(words, " ", button);
	return box;
}
