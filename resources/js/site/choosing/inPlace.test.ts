// @vitest-environment jsdom
import { afterEach, beforeEach, expect, test, vi } from "vitest";

const asked: { address: string; show: (listing: string, status?: number) => void; lose: () => void }[] = [];
let inPlace: typeof import("./inPlace");

const listing = (words: string) =>
	`<section id="shop" data-choices-of="shop" class="results"><p class="count">${words}</p>` +
	'<a id="next" href="/shop?page=2">Next</a></section>';

beforeEach(async () => {
	asked.length = 0;
	history.replaceState(null, "", "/shop");
	document.head.innerHTML = '<meta name="site-words" content="{&quot;loading.failed&quot;:&quot;Not loaded.&quot;}">';
	document.body.innerHTML = listing("first");
	window.scrollTo = vi.fn() as unknown as typeof window.scrollTo;
	vi.stubGlobal(
		"fetch",
		(address: string, { signal }: { signal: AbortSignal | null }) =>
			new Promise<Response>((resolve, reject) => {
				signal?.addEventListener("abort", () => reject(new DOMException("called off", "AbortError")));
				asked.push({
					address,
					show: (words, status = 200) => {
						const page = new Response(`<html><body>${listing(words)}</body></html>`, {
							status,
							headers: { "Content-Type": "text/html; charset=UTF-8" },
						});
						Object.defineProperty(page, "url", { value: new URL(address, location.href).href });
						resolve(page);
					},
					lose: () => reject(new TypeError("no connection")),
				});
			}),
	);
	vi.resetModules();
	inPlace = await import("./inPlace");
});

afterEach(() => vi.unstubAllGlobals());

const count = () => document.querySelector(".count")?.textContent;
const settled = () => vi.waitFor(() => expect(document.querySelector(".is-waiting")).toBeNull());

test("a choice shows its listing under its own address", async () => {
	const done = inPlace.show("/shop?light=shade");
	asked[0]?.show("three");
	await done;
	expect(count()).toBe("three");
	expect(location.pathname + location.search).toBe("/shop?light=shade");
});

test("an answer that comes after a later choice is dropped", async () => {
	const early = inPlace.show("/shop?light=sun");
	const late = inPlace.show("/shop?light=shade");
	asked[1]?.show("the later");
	asked[0]?.show("the earlier");
	await Promise.all([early, late]);
	expect(count()).toBe("the later");
	expect(location.search).toBe("?light=shade");
});

test("without a connection the listing stays, and says how to try again", async () => {
	const done = inPlace.show("/shop?light=shade");
	asked[0]?.lose();
	await done;
	expect(count()).toBe("first");
	expect(location.search).toBe("");
	expect(document.querySelector("[role=alert]")?.textContent).toContain("Not loaded.");
	document.querySelector<HTMLButtonElement>(".choice-fault button")?.click();
	expect(document.querySelector(".choice-fault")).toBeNull();
	asked[1]?.show("three");
	await settled();
	await vi.waitFor(() => expect(count()).toBe("three"));
});

test("what is done while an answer is on its way waits for it, and is done with the new control", async () => {
	const done = inPlace.show("/shop?light=shade");
	const old = document.getElementById("next") as HTMLElement;
	const clicked: HTMLElement[] = [];
	const turn = inPlace.inTurn(old, (control) => clicked.push(control));
	expect(clicked).toEqual([]);
	asked[0]?.show("three");
	await Promise.all([done, turn]);
	expect(clicked).toHaveLength(1);
	expect(clicked[0]).not.toBe(old);
	expect(clicked[0]).toBe(document.getElementById("next"));
});

test("a picture that is open over the listing is not closed by the answer", async () => {
	document.querySelector("#shop")?.insertAdjacentHTML("beforeend", "<dialog open></dialog>");
	const done = inPlace.show("/shop?light=shade");
	asked[0]?.show("three");
	await new Promise((later) => setTimeout(later, 30));
	expect(count()).toBe("first");
	document.querySelector("dialog")?.dispatchEvent(new Event("close"));
	await done;
	expect(count()).toBe("three");
});

test("an answer that waits for a picture to be closed is dropped after another choice", async () => {
	document.querySelector("#shop")?.insertAdjacentHTML("beforeend", "<dialog open></dialog>");
	const early = inPlace.show("/shop?light=sun");
	asked[0]?.show("the earlier");
	await new Promise((later) => setTimeout(later, 30));
	const late = inPlace.show("/shop?light=shade");
	document.querySelector("dialog")?.dispatchEvent(new Event("close"));
	await early;
	expect(count()).toBe("first");
	document.querySelector("dialog")?.remove();
	asked[1]?.show("the later");
	await late;
	expect(count()).toBe("the later");
});
