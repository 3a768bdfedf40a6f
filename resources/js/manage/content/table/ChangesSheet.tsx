import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { finished, get, post } from "../../shared/api/api";
import { moment, useStart } from "../../shared/api/start";
import { useDone } from "../../shared/Done";
import { Notice } from "../../shared/Notice";
import { Sheet } from "../../shared/Sheet";

/** Recent bulk changes — imports, edits, changes of types and terms — and undoing it. */
export function ChangesSheet({ onClose }: { onClose: () => void }) {
	const start = useStart();
	const client = useQueryClient();
	const done = useDone();
	const changes = useQuery({
		queryKey: ["changes"],
		queryFn: ({ signal }) => get("/changes", { signal }),
		staleTime: 0,
	});
	const undo = useMutation({
		mutationFn: (id: number) => finished(post("/changes/{change}/undo", { params: { path: { change: id } } })),
		onSuccess: (answer) => {
			void client.invalidateQueries();
			done("Undone.", null, answer.left);
		},
	});
	return (
		<Sheet title="Recent bulk changes" onClose={onClose} wide>
			{(changes.error ?? undo.error) && <Notice>{(changes.error ?? undo.error)?.message}</Notice>}
			<ol className="border border-base-300 rounded-box divide-y divide-base-300">
				{changes.data?.map((one) => (
					<li key={one.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2">
						<span className="grow">
							{one.title}
							<span className="block text-quiet text-sm">
								{moment(start, one.at)}, {one.by}
							</span>
						</span>
						{one.undone ? (
							<span className="text-quiet">taken back</span>
						) : (
							<button
								type="button"
								className="btn btn-sm"
								disabled={undo.isPending}
								aria-label={`Undo: ${one.title}`}
								onClick={() => undo.mutate(one.id)}
							>
								{undo.isPending && undo.variables === one.id ? "Undoing…" : "Undo"}
							</button>
						)}
					</li>
				))}
				{changes.data?.length === 0 && <li className="px-4 py-3 text-quiet">Nothing yet.</li>}
			</ol>
		</Sheet>
	);
}
