/** Plays a video of another site in a frame, after a click. Without scripts the link leads to the other site. */

import { onEach } from "./shared/each";
import { filmFrame } from "./shared/filmFrame";

onEach("[data-film]", (film) => {
	film.querySelector<HTMLAnchorElement>(".film-open")?.addEventListener("click", (event) => {
		if (event.metaKey || event.ctrlKey || event.shiftKey || event.button !== 0) {
			return;
		}
		event.preventDefault();
		const frame = filmFrame(film.dataset.film ?? "", film.dataset.title ?? "");
		film.replaceChildren(frame);
		frame.focus();
	});
});
