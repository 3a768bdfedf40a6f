/** Common code of arrangements that move by themselves. */

export function prefersStill(): boolean {
	return matchMedia("(prefers-reduced-motion: reduce)").matches;
}

/**
 * Shows the buttons of a box and advances it automatically. It pauses while the pointer is over it, while it has the
 * focus, and while the window is hidden. It respects the reduced-motion setting.
 *
 * @param seconds between two moves; 0: it does not move by itself
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
	const timer = setInterval(() => {
		// A choice or a loaded page can replace the box.
		if (!box.isConnected) {
			clearInterval(timer);
			return;
		}
		const isBusy = box.matches(":hover") || box.contains(document.activeElement);
		if (!isPaused && !isBusy && !document.hidden && !prefersStill()) {
			step(1);
		}
	}, seconds * 1000);
}
