import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { OpenItem } from "../../content/item/ItemScreen";
import { post } from "../../shared/api/api";
import { PREVIEW } from "../../shared/api/previews";
import { Fault } from "../../shared/Fault";
import { Sheet } from "../../shared/Sheet";
import type { Bench } from "../useBench";

/** Opens the records without a value for a part one after the other, inside the bench. */
export function FillIn({
	bench,
	place,
	label,
	onClose,
}: {
	bench: Bench;
	place: string;
	label: string;
	onClose: () => void;
}) {
	const client = useQueryClient();
	const [at, setAt] = useState(0);
	const gaps = useQuery({
		queryKey: ["gaps", place],
		queryFn: ({ signal }) =>
			post("/bench/gaps", { body: { ...bench.previewContext, definition: bench.definition, part: place }, signal }),
		// Completed records stay in the list until it is closed, so that the position does not change.
		staleTime: Number.POSITIVE_INFINITY,
		gcTime: 0,
	});
	const all = gaps.data?.records ?? [];
	const now = all[at];
	return (
		<Sheet title={`Without ${label}`} onClose={onClose} wide>
			{gaps.error && <Fault error={gaps.error} onRetry={gaps.refetch} />}
			<div className="flex flex-wrap items-center gap-3 pb-2">
				<button type="button" className="btn btn-sm" disabled={at === 0} onClick={() => setAt(at - 1)}>
					Previous
				</button>
				<span aria-live="polite">
					{all.length === 0 ? "…" : `${at + 1} of ${all.length}`}
					{(gaps.data?.more ?? 0) > 0 && `, and ${gaps.data?.more} more`}
				</span>
				<button type="button" className="btn btn-sm" disabled={at >= all.length - 1} onClick={() => setAt(at + 1)}>
					Next
				</button>
			</div>
			{now && (
				<OpenItem
					key={now.id}
					type={now.type}
					id={String(now.id)}
					beside={{
						words: "the row",
						onClose,
						onChanged: () => void client.invalidateQueries({ queryKey: [PREVIEW] }),
					}}
				/>
			)}
		</Sheet>
	);
}
