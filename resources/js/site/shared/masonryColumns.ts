/**
 * Lays out columns of cards. The server gives the column of each card for every number of columns; the slot decides how
 * many there are. Only heights are measured here, and the shapes of pictures are known before they load. A card that is
 * added later goes to the shortest column, so no card moves.
 */
const ROW = 4;

/** In some browsers a picture has no height before it has loaded, but its height is known. */
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

	/** The number of columns that fit into the slot. A card in a further column would add one. */
	const across = () => {
		for (const card of cards()) {
			card.style.gridColumnStart = "";
		}
		return getComputedStyle(list).gridTemplateColumns.split(" ").length;
	};

	const columnOf = (card: HTMLElement, columns: number) => Number(card.dataset.columns?.split(" ")[columns - 1]) || 1;

	const layOut = () => {
		const gap = Number.parseFloat(getComputedStyle(list).columnGap) || 0;
		const columns = across();
		for (const card of cards()) {
			card.style.gridColumnStart = String(columnOf(card, columns));
			span(card, gap);
		}
	};

	/** Assigns columns to added cards, for each number of columns, after the existing ones. */
	const place = (added: HTMLElement[]) => {
		const most = Math.max(...cards().map((card) => card.dataset.columns?.split(" ").length ?? 1));
		for (let columns = 1; columns <= most; columns++) {
			const filled = new Array<number>(columns).fill(0);
			for (const card of cards()) {
				let column = columnOf(card, columns) - 1;
				if (added.includes(card)) {
					column = filled.indexOf(Math.min(...filled));
					const all = card.dataset.columns?.split(" ") ?? [];
					all[columns - 1] = String(column + 1);
					card.dataset.columns = all.join(" ");
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
