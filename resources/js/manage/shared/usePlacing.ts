import { useMutation, useQueryClient } from "@tanstack/react-query";
import { post, put } from "./api/api";
import { PREVIEW } from "./api/previews";
import type { ModuleWhole } from "./api/schema";
import { useDone } from "./Done";

/**
 * Adds a module to a page's draft, or removes it. A message then offers to undo the change and to publish the page.
 */
export function usePlacing(onPlaced: (now: ModuleWhole) => void = () => {}) {
	const client = useQueryClient();
	const done = useDone();
	return useMutation({
		mutationFn: ({ module, page, stands }: { module: string; page: string; stands: boolean }) =>
			put("/modules/{key}/pages/{page}", { params: { path: { key: module, page } }, body: { stands } }),
		onSuccess: ({ page, before, module }, { stands }) => {
			onPlaced(module);
			const { title } = page.definition;
			const name = `“${module.definition.name}”`;
			done(
				stands
					? `${name} is on the draft of ${title}. Visitors see it once the page is published.`
					: `${name} is off the draft of ${title}. Visitors see it until the page is published.`,
				null,
				[],
				[
					{
						words: "Undo",
						act: async () => {
							await put("/pages/{key}/draft", {
								params: { path: { key: page.key } },
								body: { definition: before, revision: page.revision },
							});
							return "Undone.";
						},
					},
					{
						words: `Publish ${title}`,
						act: async () => {
							await post("/pages/{key}/publish", {
								params: { path: { key: page.key } },
								body: { revision: page.revision },
							});
							return `${title} is published.`;
						},
					},
				],
			);
		},
		onSettled: () => {
			for (const key of ["pages", "modules", PREVIEW, "module places"]) {
				void client.invalidateQueries({ queryKey: [key] });
			}
		},
	});
}
