import { useMutation, useQueryClient } from "@tanstack/react-query";
import { send } from "./api/api";
import { PREVIEW } from "./api/previews";
import type { ModuleWhole, PageFile, PageWhole } from "./api/schema";
import { useDone } from "./Done";

interface Placed {
	page: PageWhole;
	before: PageFile;
	module: ModuleWhole;
}

/**
 * Puts a module on a page, or takes it off, in the draft of the page. Tells so, and offers to take it back and to
 * publish the page.
 */
export function usePlacing(onPlaced: (now: ModuleWhole) => void = () => {}) {
	const client = useQueryClient();
	const done = useDone();
	return useMutation({
		mutationFn: ({ module, page, stands }: { module: string; page: string; stands: boolean }) =>
			send<Placed>("PUT", `/modules/${module}/pages/${page}`, { stands }),
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
							await send("PUT", `/pages/${page.key}/draft`, { definition: before, revision: page.revision });
							return "Undone.";
						},
					},
					{
						words: `Publish ${title}`,
						act: async () => {
							await send("POST", `/pages/${page.key}/publish`, { revision: page.revision });
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
