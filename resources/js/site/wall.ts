/** Opens the pictures of a wall in large size, one after the other, by pointer and keys; videos play there. */

import { onEach } from "./shared/each";
import { filmFrame } from "./shared/filmFrame";
import { say } from "./shared/words";

function begin(wall: HTMLElement): void {
	const links = () => [...wall.querySelectorAll<HTMLAnchorElement>("a.large-view")];
	const closesAtEnd = "closeAtEnd" in wall.dataset;
	const playsWhenOpened = !("playByHand" in wall.dataset);
	const dialog = document.createElement("dialog");
	dialog.className = "large";
	const stage = document.createElement("div");
	stage.className = "large-stage";
	const caption = document.createElement("p");
	caption.setAttribute("aria-live", "polite");
	const bar = document.createElement("div");
	bar.className = "large-bar";
	let at = 0;

	const button = (words: string, sign: string, act: () => void) => {
		const made = document.createElement("button");
		made.type = "button";
		made.setAttribute("aria-label", words);
		made.textContent = sign;
		made.addEventListener("click", act);
		return made;
	};

	const show = (to: number) => {
		const all = links();
		at = (to + all.length) % all.length;
		const link = all[at];
		if (!link) {
			return;
		}
		stage.replaceChildren(shown(link));
		const name = link.dataset.caption ?? "";
		caption.replaceChildren(
			link.dataset.page
				? Object.assign(document.createElement("a"), { href: link.dataset.page, textContent: name })
				: name,
			` ${at + 1} / ${all.length}`,
		);
		description.textContent = link.dataset.description ?? "";
		description.hidden = description.textContent === "";
		dialog.setAttribute("aria-label", name);
	};

	const isFile = (link: HTMLAnchorElement) => link.origin === location.origin;

	/** A video that may not play here opens on its own site. */
	const opensHere = (link: HTMLAnchorElement) => !("video" in link.dataset) || isFile(link) || "frame" in link.dataset;

	const shown = (link: HTMLAnchorElement) => {
		if (link.dataset.frame) {
			return filmFrame(link.dataset.frame, link.dataset.caption ?? "");
		}
		return "video" in link.dataset ? video(link) : picture(link);
	};

	const picture = (link: HTMLAnchorElement) => {
		const large = document.createElement("img");
		large.width = Number(link.dataset.width ?? 0);
		large.height = Number(link.dataset.height ?? 0);
		large.src = link.querySelector("img")?.src ?? link.href;
		large.alt = link.querySelector("img")?.alt ?? "";
		return large;
	};

	const video = (link: HTMLAnchorElement) => {
		const film = document.createElement("video");
		film.controls = true;
		film.src = link.href;
		film.setAttribute("aria-label", link.dataset.caption ?? "");
		if (closesAtEnd) {
			film.addEventListener("ended", () => dialog.close());
		}
		if (playsWhenOpened) {
			void film.play().catch(() => undefined);
		}
		return film;
	};

	bar.append(
		button(say("listing.previous"), "←", () => show(at - 1)),
		caption,
		button(say("listing.next"), "→", () => show(at + 1)),
		button(say("listing.close"), "×", () => dialog.close()),
	);
	const description = document.createElement("p");
	description.className = "large-description";
	dialog.append(stage, bar, description);
	dialog.addEventListener("keydown", (event) => {
		const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (by && !(event.target instanceof HTMLVideoElement)) {
			event.preventDefault();
			show(at + (getComputedStyle(dialog).direction === "rtl" ? -by : by));
		}
	});
	dialog.addEventListener("click", (event) => {
		if (event.target === dialog || event.target === stage) {
			dialog.close();
		}
	});
	dialog.addEventListener("close", () => {
		stage.replaceChildren();
		links()[at]?.focus();
	});
	wall.after(dialog);
	wall.addEventListener("click", (event) => {
		const link = (event.target as Element).closest<HTMLAnchorElement>("a.large-view");
		const isPlain = !event.metaKey && !event.ctrlKey && !event.shiftKey && event.button === 0;
		if (link && isPlain && opensHere(link)) {
			event.preventDefault();
			show(links().indexOf(link));
			dialog.showModal();
		}
	});
}

onEach("[data-wall]", begin);
