// @vitest-environment jsdom
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { expect, test, vi } from "vitest";
import type { TermRow } from "../shared/api/schema";
import { TermTree } from "./TermTree";

const term = (id: number, parent: number | null, name: string): TermRow => ({
	id,
	parent,
	slug: name,
	name,
	colour: null,
	items: 0,
	withBelow: 0,
});

// jsdom has no CSS.escape.
vi.stubGlobal("CSS", { escape: (text: string) => text });

function drawn(terms: TermRow[]) {
	const told = { onChoose: vi.fn(), onTick: vi.fn(), onMove: vi.fn() };
	render(<TermTree terms={terms} tree chosen={null} ticked={new Set()} {...told} />);
	return { ...told, rows: () => screen.queryAllByRole("row").map((row) => row.getAttribute("aria-label")) };
}

test("by keyboard terms are opened, closed, chosen, ticked and moved", async () => {
	const keys = userEvent.setup();
	const { rows, onChoose, onTick, onMove } = drawn([
		term(1, null, "Perennials"),
		term(2, 1, "Ferns"),
		term(3, 1, "Hostas"),
		term(4, null, "Shrubs"),
	]);
	expect(rows()).toEqual(["Perennials", "Ferns", "Hostas", "Shrubs"]);
	await keys.click(screen.getByRole("button", { name: "Close all" }));
	await keys.tab();
	expect(rows()).toEqual(["Perennials", "Shrubs"]);
	await keys.keyboard("{ArrowRight}{ArrowDown}{Enter}");
	expect(onChoose).toHaveBeenCalledWith(2);
	await keys.click(screen.getByRole("checkbox", { name: "Tick Hostas" }));
	expect(onTick).toHaveBeenCalledTimes(1);
	const move = async (name: string, how: string) => {
		await keys.hover(screen.getByRole("row", { name }));
		screen.getByRole("button", { name: `Move ${name} ${how}` }).focus();
		await keys.keyboard("{Enter}");
	};
	await move("Hostas", "up");
	await move("Hostas", "out by one");
	await move("Shrubs", "below the one before it");
	expect(onMove.mock.calls).toEqual([
		[3, 1, 0],
		[3, null, 1],
		[4, 1, 2],
	]);
});
