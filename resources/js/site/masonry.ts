import { layOutMasonry } from "./masonryColumns";

for (const list of document.querySelectorAll<HTMLElement>("[data-masonry]")) {
	layOutMasonry(list);
}
