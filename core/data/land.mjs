// Makes land.txt, the outline of all land: node core/data/land.mjs OUT, where world-atlas 2.0.2 (Natural Earth 5.1's
// 1:50m land, in the public domain; the package is ISC) and topojson-client 3.1.0 are installed. A line is a ring: its
// bounds, west south east north, then the way from each point to the next, from 0 0, all in hundredths of a degree of
// WGS 84.
import { createRequire } from "node:module";
import { writeFileSync } from "node:fs";
const require = createRequire(import.meta.url);
const { feature } = require("topojson-client");
const world = require("world-atlas/land-50m.json");
const land = feature(world, world.objects.land);
const lines = [];
for (const one of land.features ?? [land]) {
	const polygons = one.geometry.type === "Polygon" ? [one.geometry.coordinates] : one.geometry.coordinates;
	for (const polygon of polygons) {
		for (const ring of polygon) {
			// Over the 180th meridian a ring goes on; one that goes around the world is closed over its pole.
			let turns = 0;
			const points = ring.map(([x, y], i) => {
				const step = i === 0 ? 0 : x - ring[i - 1][0];
				turns += step > 180 ? -1 : step < -180 ? 1 : 0;
				return [Math.round((x + 360 * turns) * 100), Math.round(y * 100)];
			});
			if (turns !== 0) {
				const pole = points[0][1] > 0 ? 9000 : -9000;
				points.push([points.at(-1)[0], pole], [points[0][0], pole]);
			}
			const kept = points.filter((p, i) => i === 0 || p[0] !== points[i - 1][0] || p[1] !== points[i - 1][1]);
			if (kept.length > 1 && kept[0][0] === kept.at(-1)[0] && kept[0][1] === kept.at(-1)[1]) {
				kept.pop();
			}
			if (kept.length < 3) {
				continue;
			}
			const xs = kept.map(([x]) => x);
			const ys = kept.map(([, y]) => y);
			if (Math.min(...ys) === Math.max(...ys)) {
				continue;
			}
			const box = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
			let [px, py] = [0, 0];
			const steps = kept.map(([x, y]) => {
				const step = `${x - px} ${y - py}`;
				[px, py] = [x, y];
				return step;
			});
			lines.push(`${box.join(" ")}|${steps.join(" ")}`);
		}
	}
}
writeFileSync(process.argv[2], `${lines.join("\n")}\n`);
