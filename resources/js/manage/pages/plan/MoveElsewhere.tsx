import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { get } from "../../shared/api/api";
import type { PageBlock, PageSummary } from "../../shared/api/schema";
import { useDone } from "../../shared/Done";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { Notice } from "../../shared/Notice";
import { elsewhereOf, FRAME_SLOTS, putElsewhere } from "./elsewhere";

/** Moves a block to another page or into the frame, at the end of the draft there. */
export function useMoveElsewhere() {
	const client = useQueryClient();
	const done = useDone();
	return useMutation({
		mutationFn: async ({ block, to, from }: { block: PageBlock; to: string; from: string | null; leave: () => void }) =>
			putElsewhere(block, elsewhereOf(to), from),
		onSuccess: (_, { to, leave }) => {
			leave();
			void client.invalidateQueries({ queryKey: ["pages"] });
			const slot = FRAME_SLOTS.find(([key]) => `frame ${key}` === to)?.[1].toLowerCase();
			const title = client.getQueryData<PageSummary[]>(["pages"])?.find((one) => one.key === to)?.title ?? to;
			done(slot ? `Moved into the frame, ${slot}. It is in its draft.` : `Moved to the draft of “${title}”.`);
		},
		onError: (error) => done(`Not moved: ${error.message}`),
	});
}

/** Finds another page, or a slot of the frame, and moves the block there. */
export function MoveElsewhere({
	block,
	page,
	from,
	onLeave,
}: {
	block: PageBlock;
	/** The key of its page; null in the frame. */
	page: string | null;
	/** Its address. */
	from: string | null;
	onLeave: () => void;
}) {
	const pages = useQuery({
		queryKey: ["pages"],
		queryFn: ({ signal }) => get("/pages", { signal }),
	});
	const move = useMoveElsewhere();
	return (
		<div className="grid gap-1">
			<PickByTyping
				label="Move to another page or into the frame"
				placeholder={page === null ? "to a page…" : "to another page, or the frame…"}
				options={[
					...(page === null
						? []
						: FRAME_SLOTS.map(([key, words]) => ({ key: `frame ${key}`, label: `The frame: ${words.toLowerCase()}` }))),
					...(pages.data ?? [])
						.filter((one) => one.key !== page)
						.map((one) => ({ key: one.key, label: one.title, beside: one.address })),
				]}
				value={null}
				onPick={(to) => to !== null && move.mutate({ block, to, from, leave: onLeave })}
			/>
			{move.error && <Notice>{move.error.message}</Notice>}
		</div>
	);
}
