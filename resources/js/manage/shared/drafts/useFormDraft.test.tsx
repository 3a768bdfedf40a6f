// @vitest-environment jsdom
import { act, cleanup, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Start, Values } from "../api/schema";
import { StartContext } from "../api/start";
import { useFormDraft } from "./useFormDraft";

const answers: { keep: () => void; fail: () => void }[] = [];

beforeEach(() => {
	vi.useFakeTimers();
	localStorage.clear();
	answers.length = 0;
	vi.stubGlobal(
		"fetch",
		vi.fn(
			() =>
				new Promise<Response>((resolve, reject) => {
					answers.push({
						keep: () => resolve(new Response(JSON.stringify({ keptAt: "2026-11-26T22:00:00Z" }))),
						fail: () => reject(new TypeError("no connection")),
					});
				}),
		),
	);
});

afterEach(() => {
	cleanup();
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

function typing() {
	const wrapper = ({ children }: { children: ReactNode }) => (
		<StartContext value={{ user: { email: "marigold@quillmoor.example" } } as Start}>{children}</StartContext>
	);
	const form = { name: "item post/7", place: { type: "post", id: 7 }, keptAt: null };
	return renderHook(({ values }: { values: Values }) => useFormDraft(form, 1, values, true), {
		wrapper,
		initialProps: { values: { title: "First" } },
	});
}

const waited = () => act(() => vi.advanceTimersByTimeAsync(800));
const inBrowser = () => Object.values(localStorage).map((kept) => JSON.parse(kept).state.title);

test("what is typed while a draft is on its way stays in the browser until it has arrived, too", async () => {
	const form = typing();
	await waited();
	expect(answers).toHaveLength(1);
	form.rerender({ values: { title: "Second" } });
	await waited();
	answers[0]?.keep();
	await waited();
	expect(inBrowser()).toEqual(["Second"]);
	expect(answers).toHaveLength(2);
	answers[1]?.fail();
	await waited();
	expect(inBrowser()).toEqual(["Second"]);
});

test("what has arrived is no longer kept in the browser", async () => {
	typing();
	await waited();
	expect(inBrowser()).toEqual(["First"]);
	answers[0]?.keep();
	await waited();
	expect(inBrowser()).toEqual([]);
});
