// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { createMemoryRouter, RouterProvider, useLocation } from "react-router";
import { afterEach, expect, test, vi } from "vitest";
import type { Start } from "../api/schema";
import { StartContext } from "../api/start";
import { CommandPanel } from "./CommandPanel";

afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
});

function Place() {
	return <output>{useLocation().pathname}</output>;
}

function open(role: "manager" | "author", answer: object[] = []) {
	// Functions of browsers that jsdom lacks.
	vi.stubGlobal("CSS", { escape: (text: string) => text.replace(/[^\w-]/g, (sign) => `\\${sign}`) });
	vi.stubGlobal(
		"fetch",
		vi.fn(async () => new Response(JSON.stringify(answer), { headers: { "Content-Type": "application/json" } })),
	);
	const router = createMemoryRouter([
		{
			path: "*",
			element: (
				<>
					<CommandPanel onClose={() => undefined} />
					<Place />
				</>
			),
		},
	]);
	render(
		<QueryClientProvider client={new QueryClient()}>
			<StartContext value={{ user: { role } } as Start}>
				<RouterProvider router={router} />
			</StartContext>
		</QueryClientProvider>,
	);
	return userEvent.setup();
}

test("offers a manager's actions to managers alone", () => {
	open("author");
	expect(screen.queryByText("Go to Types")).toBeNull();
	expect(screen.getByText("Go to Content")).toBeTruthy();
});

test("finds by words, and goes there by keyboard alone", async () => {
	const user = open("manager", [{ kind: "module", title: "Ferns for shade", about: "Module", to: "/modules/ferns" }]);
	await user.keyboard("fern");
	await screen.findByText("Ferns for shade");
	await user.keyboard("{ArrowDown}{Enter}");
	expect(screen.getByRole("status", { hidden: true }).textContent).toBe("/modules/ferns");
});

test("says so where nothing has the words", async () => {
	const user = open("manager");
	await user.keyboard("xyzzy");
	await screen.findByText("Nothing found.");
});
