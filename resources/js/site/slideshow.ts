/** Moves a slideshow by buttons and keys, and automatically if configured. It respects the reduced-motion setting. */
import { onEach } from "./shared/each";
import { controls, prefersStill } from "./shared/motion";

function begin(box: HTMLElement): void {
	const list = box.querySelector<HTMLElement>("ul");
	if (!list) {
		return;
	}
	const slides = () => [...list.children] as HTMLElement[];
	const isRight = () => getComputedStyle(list).direction === "rtl";

	const current = () => {
		const edge = list.getBoundingClientRect();
		const distance = (slide: HTMLElement) => {
			const at = slide.getBoundingClientRect();
			return Math.abs(isRight() ? at.right - edge.right : at.left - edge.left);
		};
		const all = slides();
		return all.reduce((best, slide, i) => (distance(slide) < distance(all[best] as HTMLElement) ? i : best), 0);
	};

	const isAtEnd = () => Math.abs(list.scrollLeft) + list.clientWidth >= list.scrollWidth - 2;

	const go = (to: number) => {
		const all = slides();
		const slide = all[(to + all.length) % all.length];
		if (slide) {
			const [at, edge] = [slide.getBoundingClientRect(), list.getBoundingClientRect()];
			const by = isRight() ? at.right - edge.right : at.left - edge.left;
			list.scrollBy({ left: by, behavior: prefersStill() ? "auto" : "smooth" });
		}
	};

	const step = (by: number) => go(by > 0 && isAtEnd() ? 0 : current() + by);

	list.addEventListener("keydown", (event) => {
		if (event.target === list && (event.key === "ArrowLeft" || event.key === "ArrowRight")) {
			event.preventDefault();
			step((event.key === "ArrowRight") === !isRight() ? 1 : -1);
		}
	});
	controls(box, step, Number(box.dataset.seconds ?? 0));
}

onEach("[data-slideshow]", begin);
