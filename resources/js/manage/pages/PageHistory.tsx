import { useMutation, useQuery } from "@tanstack/react-query";
import { get } from "../shared/api/api";
import type { ChangedLine } from "../shared/api/schema";
import { moment, useStart } from "../shared/api/start";
import { Fault } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import type { PagePlanState } from "./plan/usePagePlan";

/** The changes that publishing would make, and every published version, each of which can become the draft again. */
export function PageHistory({ plan, pageKey, onClose }: { plan: PagePlanState; pageKey: string; onClose: () => void }) {
	const start = useStart();
	const kept = plan.keeping.state === "kept" ? plan.keeping.at : null;
	const history = useQuery({
		queryKey: ["page versions", pageKey, kept],
		queryFn: ({ signal }) => get("/pages/{key}/versions", { params: { path: { key: pageKey } }, signal }),
	});
	const back = useMutation({
		mutationFn: (number: number) =>
			get("/pages/{key}/versions/{number}", { params: { path: { key: pageKey, number } } }),
		onSuccess: ({ definition }) => {
			plan.change(definition);
			onClose();
		},
	});
	return (
		<Sheet title={`History of “${plan.definition.title}”`} onClose={onClose} wide>
			{history.error && <Fault error={history.error} onRetry={history.refetch} />}
			{back.error && <Notice>{back.error.message}</Notice>}
			{history.data && history.data.draft.length > 0 && (
				<section className="mb-3">
					<h3 className="font-semibold">Publishing changes</h3>
					<Lines lines={history.data.draft} />
				</section>
			)}
			<ol className="border border-base-300 rounded-box divide-y divide-base-300">
				{history.data?.versions.map((one) => (
					<li key={one.number} className="px-4 py-2.5 grid gap-1">
						<div className="flex flex-wrap items-baseline gap-x-2">
							<strong>{one.number}</strong>
							<span>{moment(start, one.publishedAt)}</span>
							{one.by && <span className="text-quiet">{one.by}</span>}
							<span className="grow" />
							<button
								type="button"
								className="btn btn-xs"
								disabled={back.isPending}
								onClick={() => back.mutate(one.number)}
							>
								Restore
							</button>
						</div>
						<Lines lines={one.changed} />
					</li>
				))}
			</ol>
			{history.data?.versions.length === 0 && <p className="text-quiet">It has not been published yet.</p>}
		</Sheet>
	);
}

function Lines({ lines }: { lines: ChangedLine[] }) {
	return (
		<ul className="text-sm grid gap-0.5">
			{lines.map((one) => (
				<li key={`${one.now} ${one.words}`} className={one.now ? "" : "text-quiet line-through"}>
					{one.words}
				</li>
			))}
		</ul>
	);
}
