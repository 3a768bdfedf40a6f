/** Marks each module on the page with a link that opens its bench; the links themselves stand in the bar. */
const links = [...document.querySelectorAll<HTMLAnchorElement>(".manager-bar a[data-module]")];

for (const link of links) {
	const key = link.dataset.module ?? "";
	for (const section of document.querySelectorAll<HTMLElement>("section.module")) {
		// A module that stands here again has a number after its key.
		if (section.id === key || (section.id.startsWith(`${key}-`) && /^\d+$/.test(section.id.slice(key.length + 1)))) {
			const mark = document.createElement("a");
			mark.className = "manager-mark";
			mark.href = link.href;
			mark.textContent = `Edit ${link.textContent?.trim() ?? key}`;
			section.classList.add("has-manager-mark");
			section.append(mark);
		}
	}
}
