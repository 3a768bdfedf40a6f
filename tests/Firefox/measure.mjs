// Measures pages in Firefox over WebDriver BiDi: node measure.mjs < WANTED > FOUND, both JSON.
//   WANTED: {"slots": [address, …], "still": [address, …], "windows": [px, …], "script": "…"}
//   FOUND: {"slots": {"ADDRESS WIDTH DIRECTION": [words, …]}, "still": {"ADDRESS WIDTH": score}}
import puppeteer from "puppeteer-core";

const wanted = JSON.parse(await new Response(process.stdin).text());
const found = { slots: {}, still: {} };
const browser = await puppeteer.launch({ browser: "firefox", executablePath: "/usr/bin/firefox-esr", headless: true });

/**
 * Runs in the page from its beginning: samples the boxes of what stands on it, and sums up what moved without anybody
 * scrolling. As the Layout Instability API defines it (W3C): the share of the window that what moved took before and
 * after, times how far it moved, as a share of the window's larger side. Firefox has no such API.
 */
function sample() {
	window.shift = 0;
	const boxes = new Map();
	const look = () => {
		let [area, far] = [0, 0];
		for (const one of document.querySelectorAll("main :is(h1, h2, h3, .card, .part, .toolbar, .pages, p)")) {
			const box = one.getBoundingClientRect();
			const [top, left] = [box.top + scrollY, box.left + scrollX];
			const before = boxes.get(one);
			boxes.set(one, { top, left, width: box.width, height: box.height });
			const inSight = (at) => at.top < scrollY + innerHeight && at.top + at.height > scrollY && at.width > 0;
			if (!before || !(inSight(before) || inSight({ top, ...box.toJSON(), top }))) continue;
			const moved = Math.max(Math.abs(before.top - top), Math.abs(before.left - left));
			if (moved >= 3) {
				far = Math.max(far, moved);
				area += Math.max(box.width * box.height, before.width * before.height) + moved * box.width;
			}
		}
		const share = Math.min(1, area / (innerWidth * innerHeight));
		window.shift += share * (far / Math.max(innerWidth, innerHeight));
		setTimeout(look, 30);
	};
	document.addEventListener("DOMContentLoaded", look);
}

try {
	const page = await browser.newPage();
	for (const address of wanted.slots) {
		await page.goto(address, { waitUntil: "load" });
		for (const width of wanted.windows) {
			await page.setViewport({ width, height: 900 });
			for (const direction of ["ltr", "rtl"]) {
				const { out } = await page.evaluate(new Function(`return (function () { ${wanted.script} })`)(), direction);
				found.slots[`${new URL(address).pathname} ${width} ${direction}`] = out;
			}
		}
	}
	await page.evaluateOnNewDocument(sample);
	for (const address of wanted.still) {
		for (const width of [390, 1280]) {
			await page.setViewport({ width, height: 900 });
			await page.goto(address, { waitUntil: "load" });
			// Pictures that are not in sight are fetched only when they come near.
			const isLoaded = () =>
				[...document.images].every((one) => {
					const box = one.getBoundingClientRect();
					return one.complete || box.width === 0 || box.top > innerHeight || box.left > innerWidth || box.right < 0;
				});
			for (let tries = 0; tries < 100 && !(await page.evaluate(isLoaded)); tries++) {
				await new Promise((done) => setTimeout(done, 100));
			}
			found.still[`${new URL(address).pathname} ${width}`] = await page.evaluate(() => window.shift);
		}
	}
} finally {
	await browser.close();
}
process.stdout.write(JSON.stringify(found));
