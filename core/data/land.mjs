// Makes land.txt and land-10m.txt, the outline of all land, where world-atlas 2.0.2 (Natural Earth 5.1's land, in the
// public domain; the package is ISC) and topojson-client 3.1.0 are installed:
//   node core/data/land.mjs land.txt 50m 100        node core/data/land.mjs land-10m.txt 10m 1000
// A line is a ring: its bounds, west south east north, then the way from each point to the next, from 0 0. The unit is
// a part of a degree of WGS 84: a hundredth, or a thousandth.
import { createRequire } from "node:module";
import { writeFileSync } from "node:fs";
const require = createRequire(import.meta.url);
const { feature } = require("topojson-client");
const [, , out, scale, unit] = process.argv;
const world = require(`world-atlas/land-${scale}.json`);
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
				return [Math.round((x + 360 * turns) * unit), Math.round(y * unit)];
			});
			if (turns !== 0) {
				const pole = (points[0][1] > 0 ? 90 : -90) * unit;
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
writeFileSync(out, `${lines.join("\n")}\n`);
