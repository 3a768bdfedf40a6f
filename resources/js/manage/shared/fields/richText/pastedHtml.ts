/**
 * Converts HTML from the clipboard. Text editors and spreadsheets write headings, lists and tables with markup of their
 * own.
 */
export interface Pasted {
	html: string;
	/** Pictures on the author's machine or only on the clipboard, which the site cannot show. */
	pictures: number;
}

export function cleanPasted(html: string): Pasted {
	const { body } = new DOMParser().parseFromString(setStylesAside(html), "text/html");
	removeComments(body);
	remove(body, "style, script, meta, link, title, xml, [hidden]");
	const pictures = removeLocalPictures(body);
	listsFromParagraphs(body);
	unwrap(body, "a:not([href]), a[href^='#']");
	elementsFromStyles(body);
	unwrap(body, ":is(h1, h2, h3, h4, h5, h6) :is(b, strong, font, span)");
	// Names such as o:p are not valid in a selector.
	for (const element of [...body.querySelectorAll("*")].filter((one) => one.localName.includes(":"))) {
		element.replaceWith(...(isBlank(element) ? [] : element.childNodes));
	}
	lowerHeadings(body);
	for (const paragraph of body.querySelectorAll("p, h1, h2, h3, h4, h5, h6")) {
		if (isBlank(paragraph) && !paragraph.closest("td, th, li")) {
			paragraph.remove();
		}
	}
	return { html: body.innerHTML, pictures };
}

/**
 * Removes style sheets, and renames inline styles, because the page's content security policy refuses them even in a
 * parsed document.
 */
function setStylesAside(html: string): string {
	return html
		.replace(/<style[\s>].*?<\/style>/gis, "")
		.replace(/<[a-z][^>]*>/gi, (tag) => tag.replace(/\sstyle\s*=/gi, " data-style="));
}

/** One inline style of an element, in lower case; empty if it has none. */
function styleOf(element: Element, name: string): string {
	const style = (element.getAttribute("data-style") ?? "").toLowerCase();
	return new RegExp(`(?:^|[;\\s])${name}\\s*:\\s*([^;]*)`).exec(style)?.[1]?.trim() ?? "";
}

/** Converts styles for bold, italic and deleted text into elements, and removes elements that styles cancel. */
function elementsFromStyles(body: HTMLElement) {
	for (const element of body.querySelectorAll("[data-style]")) {
		const weight = styleOf(element, "font-weight");
		if (element.matches("b, strong") && /^(normal|[1-5]00)$/.test(weight)) {
			element.replaceWith(...element.childNodes);
			continue;
		}
		const isHeading = element.closest("h1, h2, h3, h4, h5, h6, th") !== null;
		const wanted = [
			!isHeading && /^(bold|[6-9]00)$/.test(weight) && "strong",
			styleOf(element, "font-style") === "italic" && "em",
			/line-through/.test(styleOf(element, "text-decoration")) && "s",
		];
		for (const name of wanted.filter((one) => one !== false && !element.matches(one))) {
			const around = document.createElement(String(name));
			around.append(...element.childNodes);
			element.append(around);
		}
		element.removeAttribute("data-style");
	}
}

function removeComments(body: HTMLElement) {
	const walker = document.createTreeWalker(body, NodeFilter.SHOW_COMMENT);
	const found: Comment[] = [];
	while (walker.nextNode()) {
		found.push(walker.currentNode as Comment);
	}
	for (const comment of found) {
		comment.remove();
	}
}

function remove(body: HTMLElement, selector: string) {
	for (const element of body.querySelectorAll(selector)) {
		element.remove();
	}
}

function unwrap(body: HTMLElement, selector: string) {
	for (const element of body.querySelectorAll(selector)) {
		element.replaceWith(...element.childNodes);
	}
}

function removeLocalPictures(body: HTMLElement): number {
	const local = [...body.querySelectorAll("img")].filter(
		(picture) => !/^(https?:|\/)/i.test(picture.getAttribute("src") ?? ""),
	);
	for (const picture of local) {
		picture.remove();
	}
	return local.length;
}

/** Lists that are written as paragraphs, with the level in `mso-list` and the bullet or number as text. */
function listsFromParagraphs(body: HTMLElement) {
	/** The open lists, the outermost first. */
	let open: HTMLElement[] = [];
	let previous: Element | null = null;
	for (const paragraph of [...body.querySelectorAll<HTMLElement>("p, h1, h2, h3, h4, h5, h6")]) {
		const level = Number(/level(\d)/.exec(styleOf(paragraph, "mso-list"))?.[1] ?? 0);
		if (level === 0) {
			continue;
		}
		if (previous === null || paragraph.previousElementSibling !== previous) {
			open = [];
		}
		const marker = takeMarker(paragraph);
		const name = /^\W*(\d+|[a-z]{1,4})[.)]/i.test(marker) ? "ol" : "ul";
		open = open.slice(0, level);
		if (open.length === level && open[level - 1]?.localName !== name) {
			open = open.slice(0, level - 1);
		}
		while (open.length < level) {
			const list = document.createElement(name);
			const around = open.at(-1);
			if (around) {
				(around.lastElementChild ?? around.appendChild(document.createElement("li"))).append(list);
			} else {
				paragraph.before(list);
			}
			open.push(list);
		}
		const item = document.createElement("li");
		item.append(...paragraph.childNodes);
		open.at(-1)?.append(item);
		paragraph.remove();
		previous = open[0] ?? null;
	}
}

/** Removes the bullet or number from the paragraph. */
function takeMarker(paragraph: HTMLElement): string {
	const marker = [...paragraph.querySelectorAll("span")].find((span) => styleOf(span, "mso-list").startsWith("ignore"));
	const text = marker?.textContent?.trim() ?? "";
	marker?.remove();
	return text;
}

/** Heading level 1 is the page's title, so a text with one moves down a level. */
function lowerHeadings(body: HTMLElement) {
	if (body.querySelector("h1") === null) {
		return;
	}
	for (const heading of body.querySelectorAll("h1, h2, h3, h4, h5")) {
		const lower = document.createElement(`h${Number(heading.localName[1]) + 1}`);
		lower.append(...heading.childNodes);
		heading.replaceWith(lower);
	}
}

function isBlank(element: Element): boolean {
	return element.textContent?.trim() === "" && element.querySelector("img, video, table, hr") === null;
}
