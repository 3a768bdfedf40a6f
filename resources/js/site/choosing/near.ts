import { announce } from "../shared/announce";
import { say } from "../shared/words";

/** Reads the visitor's position; a distance counts only together with a point. */
export function beginNear(box: HTMLElement): void {
	const button = box.querySelector<HTMLButtonElement>("[data-here]");
	const point = box.querySelector<HTMLSelectElement>("[data-point]");
	const distance = box.querySelector<HTMLSelectElement>("[data-distance]");
	if (!button || !point || !distance || !("geolocation" in navigator)) {
		return;
	}
	button.hidden = false;
	const tell = () => point.dispatchEvent(new Event("change", { bubbles: true }));
	distance.addEventListener("change", (event) => {
		if (point.value === "") {
			event.stopPropagation();
		}
	});
	button.addEventListener("click", () => {
		navigator.geolocation.getCurrentPosition(
			({ coords }) => {
				const here = `${coords.latitude.toFixed(4)},${coords.longitude.toFixed(4)}`;
				point.append(new Option(say("choices.here"), here, true, true));
				tell();
			},
			() => announce(say("choices.hereUnknown")),
		);
	});
}
