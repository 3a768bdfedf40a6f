import { useQuery } from "@tanstack/react-query";
import { get } from "../../shared/api/api";
import type { MenuEntry } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";

export function usePages() {
	return useQuery({ queryKey: ["pages"], queryFn: ({ signal }) => get("/pages", { signal }) });
}

export function useModules() {
	return useQuery({ queryKey: ["modules"], queryFn: ({ signal }) => get("/modules", { signal }) });
}

/** The name of an entry without a label of its own. */
export function useNames(): (entry: MenuEntry) => string {
	const { taxonomies } = useStart();
	const pages = usePages();
	const modules = useModules();
	return (entry) => {
		const [of, slug] = entry.term ?? entry.item ?? [];
		const term = taxonomies.find((one) => one.key === of)?.terms.find((one) => one.slug === slug);
		return (
			pages.data?.find((one) => one.key === entry.page)?.title ??
			modules.data?.find((one) => one.key === entry.module)?.name ??
			(entry.term && term?.name) ??
			slug ??
			entry.link ??
			""
		);
	};
}

export function said(entry: MenuEntry): string {
	const kind = entry.link ?? (entry.term ? "a term" : entry.item ? "an item" : entry.module ? "a module" : "a page");
	const audience = entry.audience?.filter((one) => one !== "everyone") ?? [];
	return [kind, ...(audience.length > 0 ? [`for ${audience.join(", ")}`] : [])].join(" · ");
}
