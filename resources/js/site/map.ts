/**
 * Makes the drawn map of a place interactive. The site's own tiles load when the map is visible; tiles of another site
 * load only after the visitor's click.
 */
import { onEach } from "./shared/each";
import { say } from "./shared/words";

/** The maximum zoom of the application's tiles, see MapTile. Further zoom enlarges them. */
const DRAWN_ZOOM = 9;

const MAX_ZOOM = 18;

async function open(map: HTMLElement, tiles: string, attribution: string, most: number): Promise<void> {
	const [{ default: leaflet }] = await Promise.all([import("leaflet"), import("leaflet/dist/leaflet.css")]);
	const picture = map.querySelector<HTMLElement>(".map-picture");
	if (!picture || picture.classList.contains("is-open")) {
		return;
	}
	const place: [number, number] = [Number(map.dataset.latitude), Number(map.dataset.longitude)];
	const height = picture.clientHeight;
	picture.replaceChildren();
	picture.classList.add("is-open");
	picture.setAttribute("role", "region");
	picture.setAttribute("aria-label", say("page.map", { place: map.dataset.label ?? "" }));
	picture.style.height = `${height}px`;
	const view = leaflet.map(picture, {
		// The mouse wheel scrolls the page until the visitor has clicked the map.
		scrollWheelZoom: false,
		maxZoom: MAX_ZOOM,
		attributionControl: attribution !== "",
	});
	view.on("focus click", () => view.scrollWheelZoom.enable());
	view.on("blur", () => view.scrollWheelZoom.disable());
	view.attributionControl?.setPrefix(false);
	leaflet.tileLayer(tiles, { maxNativeZoom: most, maxZoom: MAX_ZOOM, attribution: escaped(attribution) }).addTo(view);
	leaflet.circleMarker(place, { className: "map-place", radius: 8 }).addTo(view);
	view.setView(place, Number(map.dataset.zoom ?? DRAWN_ZOOM));
}

function escaped(text: string): string {
	const element = document.createElement("span");
	element.textContent = text;
	return element.innerHTML;
}

onEach("[data-map]", (map) => {
	const { tiles, drawn, host } = map.dataset;
	if (tiles === undefined) {
		const watch = new IntersectionObserver((seen) => {
			if (seen.some((one) => one.isIntersecting)) {
				watch.disconnect();
				void open(map, drawn ?? "", "", DRAWN_ZOOM);
			}
		});
		watch.observe(map);
		return;
	}
	const button = document.createElement("button");
	button.type = "button";
	button.className = "quiet-button map-open";
	button.textContent = say("page.showMap", { host: host ?? "" });
	button.addEventListener("click", () => {
		button.remove();
		void open(map, tiles, map.dataset.attribution ?? "", MAX_ZOOM);
	});
	map.querySelector(".map-picture")?.append(button);
});
