/** Adds a link to its bench to each module on the page; the bar contains the same links. */
const links = [...document.querySelectorAll<HTMLAnchorElement>(".manager-bar a[data-module]")];

for (const link of links) {
	const key = link.dataset.module ?? "";
	for (const section of document.querySelectorAll<HTMLElement>("section.module")) {
		// A further occurrence of a module has a number after its key.
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
