/**
 * Lays out columns of cards. The server has put each card in a column for every width; here only the height of each is
 * measured, which the pictures' known shapes tell before they have come. What is added later goes to the column that is
 * shortest then, so that nothing moves that stands already.
 */
const WIDTHS: [string, string][] = [
	["desktop", "(min-width: 1440px)"],
	["laptop", "(min-width: 1024px)"],
	["tablet", "(min-width: 640px)"],
	["phone", "all"],
];
const ROW = 4;

/** A picture that has not come takes no room yet in some browsers; how high it will be is known all the same. */
function heightOf(child: HTMLElement): number {
	const picture = child.querySelector("img");
	const [width, height] = [Number(picture?.getAttribute("width")), Number(picture?.getAttribute("height"))];
	return width > 0 && height > 0
		? (child.getBoundingClientRect().width * height) / width
		: child.getBoundingClientRect().height;
}

export function layOutMasonry(list: HTMLElement): void {
	const cards = () => [...list.children] as HTMLElement[];

	const span = (card: HTMLElement, gap: number) => {
		const height = [...card.children].reduce((sum, child) => {
			const style = getComputedStyle(child);
			const margins = Number.parseFloat(style.marginTop) + Number.parseFloat(style.marginBottom);
			return sum + heightOf(child as HTMLElement) + margins;
		}, 0);
		card.style.gridRowEnd = `span ${Math.max(1, Math.ceil((height + gap) / ROW))}`;
	};

	const layOut = () => {
		const gap = Number.parseFloat(getComputedStyle(list).columnGap) || 0;
		for (const card of cards()) {
			span(card, gap);
		}
	};

	/** Where cards stand that were added: for each width, behind what stands there. */
	const place = (added: HTMLElement[]) => {
		for (const [width] of WIDTHS) {
			const columns = Number(getComputedStyle(list).getPropertyValue(`--${width}`)) || 1;
			const filled = new Array<number>(columns).fill(0);
			for (const card of cards()) {
				const at = [...card.classList].find((name) => name.startsWith(`${width}-at-`));
				let column = Number(at?.slice(width.length + 4)) - 1;
				if (added.includes(card)) {
					column = filled.indexOf(Math.min(...filled));
					if (at) {
						card.classList.remove(at);
					}
					card.classList.add(`${width}-at-${column + 1}`);
				}
				filled[column] = (filled[column] ?? 0) + Number(card.dataset.height ?? 1);
			}
		}
	};

	list.classList.add("is-laid");
	layOut();
	new ResizeObserver(layOut).observe(list);
	list.addEventListener("records-added", (event) => {
		place((event as CustomEvent<HTMLElement[]>).detail);
		layOut();
	});
	document.fonts?.ready.then(layOut);
}
