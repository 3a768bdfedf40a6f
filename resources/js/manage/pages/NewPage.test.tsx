// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, cleanup, render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { createMemoryRouter, RouterProvider } from "react-router";
import { afterEach, expect, test, vi } from "vitest";
import type { Start } from "../shared/api/schema";
import { StartContext } from "../shared/api/start";
import { NewPage } from "./NewPage";

afterEach(() => {
	cleanup();
	vi.unstubAllGlobals();
});

const json = (body: object) => new Response(JSON.stringify(body), { headers: { "Content-Type": "application/json" } });

function open(answer: (path: string, body: Record<string, unknown>) => Promise<Response>) {
	vi.stubGlobal("CSS", { escape: (text: string) => text.replace(/[^\w-]/g, (sign) => `\\${sign}`) });
	vi.stubGlobal(
		"fetch",
		vi.fn(async (request: Request) => answer(request.url, await request.json())),
	);
	const router = createMemoryRouter([{ path: "*", element: <NewPage under={null} onClose={() => undefined} /> }]);
	render(
		<QueryClientProvider client={new QueryClient()}>
			<StartContext value={{ types: [], taxonomies: [] } as unknown as Start}>
				<RouterProvider router={router} />
			</StartContext>
		</QueryClientProvider>,
	);
	return userEvent.setup();
}

test("a late suggestion does not change an address under the hands of the person who types it", async () => {
	const late: ((response: Response) => void)[] = [];
	const user = open(() => new Promise((resolve) => late.push(resolve)));
	await user.type(screen.getByLabelText(/^Title/), "Spring");
	await vi.waitFor(() => expect(late).toHaveLength(1));
	await user.click(screen.getByLabelText(/^Address/));
	await act(async () => late[0]?.(json({ address: "/spring", fault: null })));
	await user.keyboard("/may");
	expect((screen.getByLabelText(/^Address/) as HTMLInputElement).value).toBe("/may");
});

test("a page added before the suggestion comes has no half-typed address", async () => {
	const made: Record<string, unknown>[] = [];
	const user = open((path, body) => {
		if (path.endsWith("/address")) {
			return new Promise(() => undefined);
		}
		made.push(body);
		return Promise.resolve(json({ key: "spring" }));
	});
	await user.type(screen.getByLabelText(/^Title/), "Spring{Enter}");
	await vi.waitFor(() => expect(made).toEqual([{ title: "Spring", address: null, under: null }]));
});
