/** Shows one headline after the other, at once or letter by letter. With reduced motion they do not change. */
import { onEach } from "./shared/each";
import { controls, prefersStill } from "./shared/motion";

const LETTER = 35;

function begin(box: HTMLElement): void {
	const lines = [...box.querySelectorAll<HTMLElement>("ul > li")];
	if (lines.length < 2 || prefersStill()) {
		return;
	}
	const types = box.dataset.effect === "type";
	let at = 0;
	let timer = 0;

	const show = (to: number) => {
		at = (to + lines.length) % lines.length;
		clearInterval(timer);
		for (const [i, line] of lines.entries()) {
			line.hidden = i !== at;
			line.classList.remove("is-typing");
			for (const letter of line.querySelectorAll<HTMLElement>(".letter")) {
				letter.classList.remove("not-yet");
			}
		}
		const line = lines[at];
		if (types && line) {
			type(line);
		}
	};

	/** All words are in the page from the start for screen readers; only their letters appear in turn. */
	const type = (line: HTMLElement) => {
		const letters = line.querySelectorAll(".letter").length ? line.querySelectorAll(".letter") : split(line);
		let shown = 0;
		line.classList.add("is-typing");
		for (const letter of letters) {
			letter.classList.add("not-yet");
		}
		timer = window.setInterval(() => {
			letters[shown]?.classList.remove("not-yet");
			shown += 1;
			if (shown >= letters.length) {
				clearInterval(timer);
			}
		}, LETTER);
	};

	box.classList.add("is-running");
	show(0);
	controls(box, (by) => show(at + by), Number(box.dataset.seconds ?? 5));
}

/** Wraps every letter of a line in an element; joined letters stay together. */
function split(line: HTMLElement): NodeListOf<Element> {
	const walker = document.createTreeWalker(line, NodeFilter.SHOW_TEXT, (text) =>
		text.parentElement?.closest(".part") ? NodeFilter.FILTER_ACCEPT : NodeFilter.FILTER_REJECT,
	);
	const texts: Text[] = [];
	while (walker.nextNode()) {
		texts.push(walker.currentNode as Text);
	}
	const segments = new Intl.Segmenter(document.documentElement.lang, { granularity: "grapheme" });
	for (const text of texts) {
		const joins = /[\u0590-\u08ff\u0900-\u0dff]/.test(text.data);
		const units = joins ? text.data.split(/(?<=\s)/) : [...segments.segment(text.data)].map((one) => one.segment);
		text.replaceWith(
			...units.map((unit) => {
				const letter = document.createElement("span");
				letter.className = "letter";
				letter.textContent = unit;
				return letter;
			}),
		);
	}
	return line.querySelectorAll(".letter");
}

onEach("[data-ticker]", begin);
