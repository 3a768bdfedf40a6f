import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { post } from "../shared/api/api";
import { PREVIEW } from "../shared/api/previews";
import type { Definition, ModuleWhole, PreviewContext } from "../shared/api/schema";
import { useKeptDraft } from "../shared/drafts/useKeptDraft";
import { useSettled } from "../shared/useSettled";

/** The state of the bench: the definition with its undo history, its preview, and the draft that saves itself. */
export function useBench(module: ModuleWhole) {
	const draft = useKeptDraft<Definition>("module", module);
	const { definition, change: changeDraft } = draft;
	const [page, setPage] = useState("1");
	const [previewContext, setPreviewContext] = useState<PreviewContext>({});
	const shown = useSettled(definition, 90);
	const preview = useQuery({
		queryKey: [PREVIEW, "module", shown, page, previewContext],
		queryFn: ({ signal }) => post("/bench/preview", { body: { ...previewContext, definition: shown, page }, signal }),
		placeholderData: keepPreviousData,
		gcTime: 30_000,
	});
	return {
		...draft,
		change: useCallback(
			(to: Definition, tag: string | null = null) => {
				setPage("1");
				changeDraft(to, tag);
			},
			[changeDraft],
		),
		preview,
		/** True while the preview shows an older definition. */
		updating: definition !== shown || preview.isFetching,
		page,
		setPage,
		previewContext,
		setPreviewContext: useCallback((next: PreviewContext) => {
			setPage("1");
			setPreviewContext(next);
		}, []),
	};
}

export type Bench = ReturnType<typeof useBench>;
