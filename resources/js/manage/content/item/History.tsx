import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { get, post } from "../../shared/api/api";
import type { Item } from "../../shared/api/schema";
import { moment, useStart } from "../../shared/api/start";
import { Fault } from "../../shared/Fault";
import { Notice } from "../../shared/Notice";
import { Sheet } from "../../shared/Sheet";
import { Beside } from "./Conflict";

/** The history of an item: who, when, how and the changes; any revision can be restored. */
export function History({ item, onClose, onBack }: { item: Item; onClose: () => void; onBack: (item: Item) => void }) {
	const start = useStart();
	const saves = useQuery({
		queryKey: ["revisions", item.id, item.revision],
		queryFn: ({ signal }) => get("/items/{item}/revisions", { params: { path: { item: item.id } }, signal }),
	});
	const [open, setOpen] = useState<number | null>(null);
	const back = useMutation({
		mutationFn: (number: number) =>
			post("/items/{item}/revisions/{number}", {
				params: { path: { item: item.id, number } },
				body: { revision: item.revision },
			}),
		onSuccess: onBack,
	});
	return (
		<Sheet title={`History of “${item.title}”`} onClose={onClose} wide>
			{saves.error && <Fault error={saves.error} onRetry={saves.refetch} />}
			{back.error && <Notice>{back.error.message}</Notice>}
			<ol className="border border-base-300 rounded-box divide-y divide-base-300">
				{saves.data?.map((one, i) => (
					<li key={one.number} className="px-4 py-2.5 grid gap-2">
						<div className="flex flex-wrap items-baseline gap-x-3">
							<strong>{one.number}</strong>
							<span>{moment(start, one.at)}</span>
							<span className="text-quiet">
								{one.by}, {one.how}
							</span>
							<span className="grow" />
							<button
								type="button"
								className="plain-add"
								aria-expanded={open === one.number}
								onClick={() => setOpen(open === one.number ? null : one.number)}
							>
								{one.changed.length === 0
									? "nothing changed"
									: one.changed.length === 1
										? (one.changed[0]?.label ?? "")
										: `${one.changed.length} fields`}
							</button>
							{i > 0 && (
								<button
									type="button"
									className="btn btn-xs"
									disabled={back.isPending}
									onClick={() => back.mutate(one.number)}
								>
									Restore
								</button>
							)}
						</div>
						{open === one.number && (
							<ul className="grid gap-1.5">
								{one.changed.map((difference) => (
									<li key={difference.field}>
										<Beside difference={difference} />
									</li>
								))}
							</ul>
						)}
					</li>
				))}
			</ol>
		</Sheet>
	);
}
