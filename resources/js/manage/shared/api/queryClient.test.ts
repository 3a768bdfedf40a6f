import { MutationObserver, QueryObserver } from "@tanstack/react-query";
import { expect, test } from "vitest";
import { makeQueryClient } from "./queryClient";

test("a list that was still on its way while something was added to it is asked for anew", async () => {
	const client = makeQueryClient(() => false);
	const stored = ["Fern"];
	const answers: (() => void)[] = [];
	const list = new QueryObserver(client, {
		queryKey: ["terms"],
		queryFn: () => {
			const found = [...stored];
			return new Promise<string[]>((resolve) => answers.push(() => resolve(found)));
		},
	});
	const stop = list.subscribe(() => {});
	await expect.poll(() => answers.length).toBe(1);
	const adding = new MutationObserver(client, {
		mutationFn: async () => stored.push("Moon gate"),
		onSuccess: () => {
			void client.invalidateQueries({ queryKey: ["terms"] });
		},
	});
	await adding.mutate();
	await expect.poll(() => answers.length).toBeGreaterThan(1);
	for (const answer of answers) {
		answer();
	}
	await expect.poll(() => list.getCurrentResult().data).toEqual(["Fern", "Moon gate"]);
	stop();
	client.clear();
});
