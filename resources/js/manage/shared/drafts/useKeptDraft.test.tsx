// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Start } from "../api/schema";
import { StartContext } from "../api/start";
import { useKeptDraft } from "./useKeptDraft";

/** Requests whose outcome the test decides. */
const asked: {
	body: { definition: { name: string }; revision: number };
	keep: () => void;
	refuse: (status: number) => void;
	lose: () => void;
}[] = [];

beforeEach(() => {
	vi.useFakeTimers();
	localStorage.clear();
	sessionStorage.clear();
	asked.length = 0;
	vi.stubGlobal(
		"fetch",
		vi.fn(async (request: Request) => {
			const body = await request.json();
			return new Promise<Response>((resolve, reject) => {
				const answer = (status: number, said: unknown) => resolve(new Response(JSON.stringify(said), { status }));
				asked.push({
					body,
					keep: () => answer(200, { revision: body.revision + 1, savedAt: "2026-11-30T10:00:00Z" }),
					refuse: (status) => answer(status, { message: "refused" }),
					lose: () => reject(new TypeError("no connection")),
				});
			});
		}),
	);
});

afterEach(() => {
	cleanup();
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

function draft(revision = 4, name = "A") {
	const start = { user: { email: "marigold@quillmoor.example" } } as Start;
	const client = new QueryClient();
	const wrapper = ({ children }: { children: ReactNode }) => (
		<QueryClientProvider client={client}>
			<StartContext value={start}>{children}</StartContext>
		</QueryClientProvider>
	);
	const stored = { key: "shop", definition: { name }, revision, savedAt: "2026-11-30T09:00:00Z" };
	return renderHook(() => useKeptDraft("module", stored), { wrapper });
}

const waited = (milliseconds = 700) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
const sent = () => asked.map(({ body }) => [body.definition.name, body.revision]);

test("what is changed is kept a moment later, once, from the revision that it started from", async () => {
	const { result } = draft();
	act(() => result.current.change({ name: "B" }));
	act(() => result.current.change({ name: "C" }));
	expect(result.current.keeping.state).toBe("keeping");
	await waited();
	expect(sent()).toEqual([["C", 4]]);
	asked[0]?.keep();
	await waited();
	expect(result.current.keeping.state).toBe("kept");
	expect(result.current.revision()).toBe(5);
	expect(sent()).toHaveLength(1);
});

test("a change while another is on its way waits for it, and carries its revision", async () => {
	const { result } = draft();
	act(() => result.current.change({ name: "B" }));
	await waited();
	act(() => result.current.change({ name: "C" }));
	await waited();
	expect(sent()).toEqual([["B", 4]]);
	asked[0]?.keep();
	await waited();
	expect(sent()).toEqual([
		["B", 4],
		["C", 5],
	]);
});

test("where someone else saved, nothing more is sent until the person has chosen", async () => {
	const { result } = draft();
	act(() => result.current.change({ name: "mine" }));
	await waited();
	asked[0]?.refuse(409);
	await waited();
	expect(result.current.keeping.state).toBe("stale");
	act(() => result.current.change({ name: "mine, further" }));
	await waited(10_000);
	expect(sent()).toHaveLength(1);
	void act(() => void result.current.overwrite(9));
	await waited();
	expect(sent()[1]).toEqual(["mine, further", 9]);
});

test("taking theirs leaves mine behind undo", async () => {
	const { result } = draft();
	act(() => result.current.change({ name: "mine" }));
	await waited();
	asked[0]?.refuse(409);
	await waited();
	act(() =>
		result.current.takeTheirs({
			key: "shop",
			definition: { name: "theirs" },
			revision: 9,
			savedAt: "2026-11-30T11:00:00Z",
		}),
	);
	expect(result.current.definition).toEqual({ name: "theirs" });
	expect(result.current.keeping.state).toBe("kept");
	act(() => result.current.undo());
	expect(result.current.definition).toEqual({ name: "mine" });
	await waited();
	expect(sent()[1]).toEqual(["mine", 9]);
});

test("without a connection the change stays in the browser and is sent again by itself", async () => {
	const { result } = draft();
	act(() => result.current.change({ name: "B" }));
	await waited();
	asked[0]?.lose();
	await waited();
	expect(result.current.keeping).toMatchObject({ state: "failed", passing: true });
	expect(Object.values(localStorage).map((one) => JSON.parse(one).state.name)).toEqual(["B"]);
	await waited(5_000);
	expect(sent()).toEqual([
		["B", 4],
		["B", 4],
	]);
	asked[1]?.keep();
	await waited();
	expect(Object.values(localStorage)).toEqual([]);
});

test("what never reached the server is offered when the person comes back", async () => {
	const first = draft();
	act(() => first.result.current.change({ name: "B" }));
	await waited();
	asked[0]?.lose();
	await waited(10);
	first.unmount();
	sessionStorage.clear();
	const { result } = draft();
	expect(result.current.left?.state).toEqual({ name: "B" });
	act(() => result.current.bringBackLeft());
	expect(result.current.definition).toEqual({ name: "B" });
	expect(result.current.left).toBeNull();
});

test("publishing takes the server's revision, and its definition where nothing was typed meanwhile", async () => {
	const { result } = draft();
	const published = { key: "shop", definition: { name: "A, complete" }, revision: 5, savedAt: "2026-11-30T11:00:00Z" };
	act(() => result.current.published(published));
	expect(result.current.definition).toEqual({ name: "A, complete" });
	await waited();
	expect(sent()).toEqual([]);
	act(() => result.current.change({ name: "next" }));
	await waited();
	expect(sent()).toEqual([["next", 5]]);
});

test("what is typed while publishing is under way is not written over", async () => {
	const { result } = draft();
	act(() => result.current.change({ name: "typed meanwhile" }));
	act(() =>
		result.current.published({ key: "shop", definition: { name: "A" }, revision: 5, savedAt: "2026-11-30T11:00:00Z" }),
	);
	expect(result.current.definition).toEqual({ name: "typed meanwhile" });
	await waited();
	expect(sent()).toEqual([["typed meanwhile", 5]]);
});

test("a page that is left sends what was not kept, counting what is on its way", async () => {
	const { result } = draft();
	act(() => result.current.change({ name: "B" }));
	await waited();
	act(() => result.current.change({ name: "C" }));
	window.dispatchEvent(new Event("pagehide"));
	await waited(0);
	expect(sent()).toEqual([
		["B", 4],
		["C", 5],
	]);
});
