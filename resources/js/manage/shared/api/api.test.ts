// @vitest-environment node
import { createServer, type IncomingMessage, type Server, type ServerResponse } from "node:http";
import type { AddressInfo } from "node:net";
import { afterEach, beforeEach, expect, test, vi } from "vitest";

/** A separate server for each test, which gives the test's answers. */
type Answer = (request: IncomingMessage, body: string) => [status: number, body: unknown, headers?: HeadersInit];
let server: Server;
let asked: { path: string; token: string | undefined; body: string }[] = [];
let answer: Answer;
let api: typeof import("./api");
let session: typeof import("./session");

beforeEach(async () => {
	asked = [];
	server = createServer((request: IncomingMessage, response: ServerResponse) => {
		let body = "";
		request.on("data", (part) => {
			body += part;
		});
		request.on("end", () => {
			const path = `${request.method} ${request.url}`;
			asked.push({ path, token: request.headers["x-csrf-token"] as string | undefined, body });
			const [status, said, headers] = answer(request, body);
			response.writeHead(status, { "Content-Type": "application/json", ...Object.fromEntries(new Headers(headers)) });
			response.end(typeof said === "string" ? said : JSON.stringify(said));
		});
	});
	await new Promise<void>((ready) => server.listen(0, "127.0.0.1", ready));
	const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
	vi.stubGlobal("document", { querySelector: () => ({ content: "first" }), baseURI: origin });
	vi.resetModules();
	session = await import("./session");
	api = await import("./api");
});

const draft = (key: string) => ({ params: { path: { key } }, body: { definition: {}, revision: 1 } });
const keepShop = () => api.put("/modules/{key}/draft", draft("shop"));
const keepHome = () => api.put("/pages/{key}/draft", draft("home"));

afterEach(async () => {
	vi.unstubAllGlobals();
	server.closeAllConnections();
	await new Promise((closed) => server.close(closed));
});

test("a page whose token is out of date fetches another, and what was sent arrives once", async () => {
	answer = (request) => {
		if (request.url === "/manage/api/token") {
			return [200, { token: "second" }];
		}
		return request.headers["x-csrf-token"] === "second" ? [200, { revision: 2 }] : [419, {}];
	};
	expect(await keepShop()).toEqual({ revision: 2 });
	expect(asked.map((one) => [one.path, one.token])).toEqual([
		["PUT /manage/api/modules/shop/draft", "first"],
		["GET /manage/api/token", undefined],
		["PUT /manage/api/modules/shop/draft", "second"],
	]);
});

test("a token that is refused again is told, not asked for without end", async () => {
	answer = (request) => (request.url === "/manage/api/token" ? [200, { token: "second" }] : [419, {}]);
	await expect(keepShop()).rejects.toMatchObject({
		status: 419,
		message: "This page is out of date. Load it again; what you typed is kept.",
	});
	expect(asked).toHaveLength(3);
});

test("who is signed out is asked once, and everything that waited goes on", async () => {
	let isIn = false;
	const ask = vi.fn(async () => {
		// The server refuses both requests before the person has typed their password.
		await new Promise((typed) => setTimeout(typed, 100));
		isIn = true;
	});
	session.onSignedOut(ask);
	answer = (request) => (isIn ? [200, { path: request.url }] : [401, {}]);
	const all = await Promise.all([api.get("/pages"), api.get("/modules")]);
	expect(all).toEqual([{ path: "/manage/api/pages" }, { path: "/manage/api/modules" }]);
	expect(ask).toHaveBeenCalledTimes(1);
});

test("who is signed out and does not come back is told so", async () => {
	answer = () => [401, {}];
	await expect(api.get("/pages")).rejects.toMatchObject({ status: 401, message: "You are signed out." });
});

test("a server that does not answer is told as such, and may be tried again", async () => {
	answer = () => [200, {}];
	server.closeAllConnections();
	await new Promise((closed) => server.close(closed));
	const fault = await keepHome().catch((error: unknown) => error);
	expect(fault).toBeInstanceOf(api.ApiError);
	expect(fault).toMatchObject({
		status: 0,
		isPassing: true,
		message: "There is no connection to the server. What you did is kept here; try again.",
	});
});

test("a request that is called off is no fault of the connection", async () => {
	const calling = new AbortController();
	answer = () => {
		calling.abort();
		return [200, {}];
	};
	await expect(api.get("/pages", { signal: calling.signal })).rejects.toMatchObject({ name: "AbortError" });
});

test("refusals name the place; faults of the server do not show their text", async () => {
	answer = () => [422, { problems: [{ path: "order[0]", code: "unknown", message: "no such field" }] }];
	await expect(keepShop()).rejects.toMatchObject({
		status: 422,
		isPassing: false,
		message: "order[0]: no such field",
	});
	answer = () => [422, { errors: { title: ["The title is missing."] } }];
	await expect(api.post("/pages", { body: { title: "" } })).rejects.toMatchObject({
		problems: [{ path: "title", message: "The title is missing." }],
	});
	answer = () => [500, "<h1>SQLSTATE</h1>"];
	await expect(api.get("/pages")).rejects.toMatchObject({
		isPassing: true,
		message: "Something went wrong on the server. Nothing is lost here; try again.",
	});
	answer = () => [429, {}, { "Retry-After": "7" }];
	await expect(api.get("/pages")).rejects.toMatchObject({
		isPassing: true,
		message: "Too much was asked for at once. Try again in 7 seconds.",
	});
});

test("signing out keeps first what is still to be kept, and nothing is asked after it", async () => {
	answer = () => [200, {}];
	const unregister = session.beforeSigningOut(() => keepHome());
	await session.signOut();
	unregister();
	void api.get("/pages");
	await new Promise((later) => setTimeout(later, 20));
	expect(asked.map((one) => one.path)).toEqual(["PUT /manage/api/pages/home/draft", "POST /manage/api/sign-out"]);
});
