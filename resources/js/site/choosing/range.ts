/** The two handles over the bars of a range. The boxes below have the same values, which the form sends. */
export function beginRange(range: HTMLElement): void {
	const handles = range.querySelector<HTMLElement>(".handles");
	const [low, high] = [...range.querySelectorAll<HTMLInputElement>('input[type="range"]')];
	const [from, to] = [...(range.parentElement?.querySelectorAll<HTMLInputElement>('.ends input[type="number"]') ?? [])];
	if (!handles || !low || !high || !from || !to) {
		return;
	}
	const bars = [...range.querySelectorAll<HTMLElement>(".bar")];
	const [min, max] = [Number(low.min), Number(low.max)];
	const unit = range.parentElement?.querySelector(".unit")?.textContent ?? "";

	const draw = () => {
		const [a, b] = [low.valueAsNumber, high.valueAsNumber];
		for (const [i, bar] of bars.entries()) {
			const width = (max - min) / bars.length;
			bar.classList.toggle("is-in", min + (i + 1) * width >= a && min + i * width <= b);
		}
		for (const handle of [low, high]) {
			handle.setAttribute("aria-valuetext", `${handle.value} ${unit}`.trim());
		}
	};

	const move = (handle: HTMLInputElement, box: HTMLInputElement, end: number) => {
		handle.addEventListener("input", () => {
			// The handles cannot cross.
			const other = handle === low ? high.valueAsNumber : low.valueAsNumber;
			handle.valueAsNumber =
				handle === low ? Math.min(handle.valueAsNumber, other) : Math.max(handle.valueAsNumber, other);
			box.value = handle.valueAsNumber === end ? "" : handle.value;
			draw();
		});
		handle.addEventListener("change", () => box.dispatchEvent(new Event("change", { bubbles: true })));
	};
	move(low, from, min);
	move(high, to, max);
	draw();
}
