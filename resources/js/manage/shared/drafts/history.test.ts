import { describe, expect, it } from "vitest";
import type { Definition } from "../api/schema";
import { type History, recall, remember, step } from "./history";

const named = (name: string) => ({ key: "plants", name }) as Definition;
const names = ({ past, now, future }: History<Definition>) => [
	past.map((one) => one.name),
	now.name,
	future.map((one) => one.name),
];
const begin: History<Definition> = { past: [], now: named("a"), future: [], tag: null };
const change = (to: string, tag: string | null = null) => ({ do: "change", to: named(to), tag }) as const;

/** Session storage with a limited size. */
class Tab implements Storage {
	[key: string]: unknown;
	private kept = new Map<string, string>();
	constructor(private room = 100_000) {}
	get length() {
		return this.kept.size;
	}
	clear() {
		this.kept.clear();
	}
	key(n: number) {
		return [...this.kept.keys()][n] ?? null;
	}
	getItem(key: string) {
		return this.kept.get(key) ?? null;
	}
	removeItem(key: string) {
		this.kept.delete(key);
	}
	setItem(key: string, value: string) {
		if (value.length > this.room) {
			throw new DOMException("full", "QuotaExceededError");
		}
		this.kept.set(key, value);
	}
}

describe("the bench's history", () => {
	it("goes back and forth, and a change ends what lay ahead", () => {
		let history = ["b", "c", "d"].reduce((so, to) => step(so, change(to)), begin);
		history = step(step(history, { do: "undo" }), { do: "undo" });
		expect(names(history)).toEqual([["a"], "b", ["c", "d"]]);
		expect(names(step(history, { do: "redo" }))).toEqual([["a", "b"], "c", ["d"]]);
		expect(names(step(history, change("e")))).toEqual([["a", "b"], "e", []]);
		expect(step(begin, { do: "undo" })).toBe(begin);
		expect(step(begin, { do: "redo" })).toBe(begin);
	});

	it("takes typing in one place as one step, until something else is done", () => {
		const typed = ["b", "bc", "bcd"].reduce((so, to) => step(so, change(to, "name")), begin);
		expect(names(typed)).toEqual([["a"], "bcd", []]);
		expect(names(step(typed, change("x", "skip")))).toEqual([["a", "bcd"], "x", []]);
		const again = step(step(step(typed, { do: "undo" }), { do: "redo" }), change("bcde", "name"));
		expect(names(again)).toEqual([["a", "bcd"], "bcde", []]);
		expect(names(step(typed, { do: "replace", to: named("theirs") }))).toEqual([["a", "bcd"], "theirs", []]);
	});

	it("is there again after the bench was left", () => {
		const tab = new Tab();
		const left = step(
			["b", "c"].reduce((so, to) => step(so, change(to)), begin),
			{ do: "undo" },
		);
		remember(tab, "plants", left, 7);
		expect(names(recall(tab, "plants", named("b"), 7))).toEqual([["a"], "b", ["c"]]);
		expect(names(recall(tab, "other", named("o"), 7))).toEqual([[], "o", []]);
	});

	it("keeps what was here as a step back where the draft has changed meanwhile", () => {
		const tab = new Tab();
		remember(tab, "plants", step(begin, change("mine")), 7);
		expect(names(recall(tab, "plants", named("theirs"), 8))).toEqual([["a", "mine"], "theirs", []]);
	});

	it("ends with the page where there is no room, and is not taken from what cannot be read", () => {
		const tab = new Tab(200);
		remember(tab, "plants", begin, 1);
		expect(tab.length).toBe(1);
		remember(tab, "plants", step(begin, change("b".repeat(300))), 2);
		expect(tab.length).toBe(0);
		tab.setItem("bench plants", "{");
		expect(names(recall(tab, "plants", named("now"), 1))).toEqual([[], "now", []]);
	});

	it("keeps a hundred steps at most", () => {
		const tab = new Tab();
		const long = Array.from({ length: 150 }, (_, n) => `${n}`).reduce((so, to) => step(so, change(to)), begin);
		remember(tab, "plants", long, 1);
		expect(recall(tab, "plants", named("149"), 1).past.map((one) => one.name)).toEqual(
			Array.from({ length: 100 }, (_, n) => `${n + 49}`),
		);
	});
});
