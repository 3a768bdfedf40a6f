// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { type FormEvent, useState } from "react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Field, Start } from "../api/schema";
import { StartContext } from "../api/start";
import { TermsControl } from "./TermsControl";

const terms = [
	{ slug: "perennials", name: "Perennials", depth: 0 },
	{ slug: "ferns", name: "Ferns", depth: 1 },
	{ slug: "hostas", name: "Hostas", depth: 1 },
	{ slug: "shrubs", name: "Shrubs", depth: 0 },
];
const onChange = vi.fn();
const onSubmit = vi.fn((event: FormEvent) => event.preventDefault());

function Form() {
	const [value, setValue] = useState<unknown>(["hostas"]);
	return (
		<form onSubmit={onSubmit}>
			<TermsControl
				field={{ key: "groups", label: "Plant groups" } as Field}
				value={value}
				onChange={(now) => {
					onChange(now);
					setValue(now);
				}}
			/>
		</form>
	);
}

beforeEach(() => {
	onChange.mockReset();
	onSubmit.mockClear();
	// Functions of browsers that jsdom lacks.
	vi.stubGlobal("CSS", { escape: (text: string) => text.replace(/[^\w-]/g, (sign) => `\\${sign}`) });
	const taxonomies = [{ key: "groups", label: "Plant groups", tree: true, terms }];
	render(
		<QueryClientProvider client={new QueryClient()}>
			<StartContext value={{ taxonomies, user: { role: "manager" } } as Start}>
				<Form />
			</StartContext>
		</QueryClientProvider>,
	);
});

afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
});

test("a term is found by a part of its name, and stands there with those above it", async () => {
	const user = userEvent.setup();
	await user.type(screen.getByRole("searchbox", { name: "Add plant groups" }), "fer");
	expect(screen.getAllByRole("option").map((one) => one.textContent)).toEqual([
		"Perennials › Ferns",
		"Add the new term “fer”",
	]);
	await user.keyboard("{ArrowDown}{Enter}");
	await vi.waitFor(() => expect(onChange).toHaveBeenLastCalledWith(["hostas", "ferns"]));
	await screen.findByRole("button", { name: "Take Perennials › Ferns away" });
	expect((screen.getByRole("searchbox") as HTMLInputElement).value).toBe("");
});

test("a term is taken away, and others are ticked in the tree", async () => {
	const user = userEvent.setup();
	await user.click(screen.getByRole("button", { name: "Take Perennials › Hostas away" }));
	expect(onChange).toHaveBeenLastCalledWith([]);
	await user.click(screen.getByRole("button", { name: "all 4" }));
	await user.click(screen.getByRole("checkbox", { name: "Shrubs" }));
	expect(onChange).toHaveBeenLastCalledWith(["shrubs"]);
});

test("Enter takes the first that fits, and never sends the form", async () => {
	const user = userEvent.setup();
	const box = screen.getByRole("searchbox", { name: "Add plant groups" });
	await user.type(box, "shrub{Enter}");
	expect(onChange).toHaveBeenLastCalledWith(["hostas", "shrubs"]);
	await user.type(box, "nothing like it{Enter}");
	expect(onChange).toHaveBeenCalledTimes(1);
	expect(onSubmit).not.toHaveBeenCalled();
});

test("a term that does not exist is made by its name, and one that exists is taken", async () => {
	const asked: unknown[] = [];
	vi.stubGlobal(
		"fetch",
		vi.fn(async (request: Request) => {
			asked.push([request.url.replace(/^.*\/taxonomies/, "/taxonomies"), await request.json()]);
			return new Response(JSON.stringify({ slug: "sedges", name: "Sedges" }), {
				headers: { "Content-Type": "application/json" },
			});
		}),
	);
	const user = userEvent.setup();
	const box = screen.getByRole("searchbox", { name: "Add plant groups" });
	await user.click(box);
	await user.type(box, "Sedges{Enter}");
	await vi.waitFor(() => expect(onChange).toHaveBeenLastCalledWith(["hostas", "sedges"]));
	expect(asked).toEqual([["/taxonomies/groups/terms", { term: { name: "Sedges" } }]]);
	await user.type(box, "hostas{Enter}");
	expect(asked).toHaveLength(1);
	expect(onSubmit).not.toHaveBeenCalled();
});
