import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { post } from "../../shared/api/api";
import { PREVIEW } from "../../shared/api/previews";
import type { PageFile, PageWhole, PreviewContext } from "../../shared/api/schema";
import { useKeptDraft } from "../../shared/drafts/useKeptDraft";
import type { Pointed } from "../../shared/preview/pointed";
import { useSettled } from "../../shared/useSettled";

/** The state of a page's plan: its definition with its undo history, its preview, and the draft that saves itself. */
export function usePagePlan(page: PageWhole) {
	const draft = useKeptDraft<PageFile>("page", page);
	const [previewContext, setPreviewContext] = useState<PreviewContext>({});
	/** The record for the preview of a page with a placeholder; empty: the first one. */
	const [slug, setSlug] = useState("");
	/** The highlighted block in the plan and on the page. */
	const [pointed, setPointed] = useState<Pointed | null>(null);
	const shown = useSettled(draft.definition, 90);
	const look = useQuery({
		queryKey: [PREVIEW, "page", shown, slug, previewContext],
		queryFn: ({ signal }) => post("/pages/preview", { body: { ...previewContext, definition: shown, slug }, signal }),
		placeholderData: keepPreviousData,
		gcTime: 30_000,
	});
	return {
		...draft,
		look,
		/** True while the preview shows an older definition. */
		updating: draft.definition !== shown || look.isFetching,
		pointed,
		setPointed,
		slug,
		setSlug,
		previewContext,
		set: (next: Partial<PreviewContext>) =>
			setPreviewContext((now) =>
				Object.fromEntries(
					Object.entries({ ...now, ...next }).filter(([, value]) => value !== undefined && value !== ""),
				),
			),
	};
}

export type PagePlanState = ReturnType<typeof usePagePlan>;
