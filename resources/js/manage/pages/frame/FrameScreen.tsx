import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { get } from "../../shared/api/api";
import type { FrameFile, FrameWhole } from "../../shared/api/schema";
import { useKeptDraft } from "../../shared/drafts/useKeptDraft";
import { Fault, Opening } from "../../shared/Fault";
import { FRAME_SLOTS } from "../plan/elsewhere";
import { AroundPages } from "./AroundPages";
import { FrameSlot } from "./FrameSlot";

/** The frame around every page: its five slots. */
export function FramePlan() {
	const client = useQueryClient();
	const frame = useQuery({
		queryKey: ["frame"],
		queryFn: ({ signal }) => get("/frame", { signal }),
		staleTime: Number.POSITIVE_INFINITY,
	});
	useEffect(() => () => client.removeQueries({ queryKey: ["frame"] }), [client]);
	if (frame.error) {
		return (
			<div className="p-6">
				<Fault error={frame.error} onRetry={frame.refetch} />
			</div>
		);
	}
	return frame.data ? <Loaded frame={frame.data} /> : <Opening queries={[frame]} />;
}

function Loaded({ frame }: { frame: FrameWhole }) {
	const draft = useKeptDraft<FrameFile>("frame", frame);
	const { definition, change } = draft;
	return (
		<AroundPages title="The frame" kind="frame" stored={frame} draft={draft} newest={() => get("/frame")}>
			{FRAME_SLOTS.map(([key, words]) => (
				<FrameSlot
					key={key}
					words={words}
					entries={definition.slots[key] ?? []}
					onChange={(entries, tag) => {
						const slots = { ...definition.slots, [key]: entries };
						if (entries.length === 0) {
							delete slots[key];
						}
						change({ ...definition, slots }, tag ?? null);
					}}
				/>
			))}
		</AroundPages>
	);
}
