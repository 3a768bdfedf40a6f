/** What arrangements that move by themselves have in common. */

export function prefersStill(): boolean {
	return matchMedia("(prefers-reduced-motion: reduce)").matches;
}

/**
 * Shows the buttons of a box and moves it on by itself: every so many seconds, but not while it is pointed at, has the
 * focus, is out of sight or paused, and never where motion is not welcome.
 */
export function controls(box: HTMLElement, step: (by: number) => void, seconds: number): void {
	const tools = box.querySelector<HTMLElement>(".controls");
	if (!tools) {
		return;
	}
	tools.hidden = false;
	tools.querySelector("[data-previous]")?.addEventListener("click", () => step(-1));
	tools.querySelector("[data-next]")?.addEventListener("click", () => step(1));
	const pause = tools.querySelector<HTMLButtonElement>("[data-pause]");
	if (seconds <= 0 || prefersStill() || !pause) {
		return;
	}
	let isPaused = false;
	pause.hidden = false;
	pause.addEventListener("click", () => {
		isPaused = !isPaused;
		pause.setAttribute("aria-pressed", String(isPaused));
	});
	setInterval(() => {
		const isBusy = box.matches(":hover") || box.contains(document.activeElement);
		if (!isPaused && !isBusy && !document.hidden && !prefersStill()) {
			step(1);
		}
	}, seconds * 1000);
}
