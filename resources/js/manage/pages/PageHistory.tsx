import { useMutation, useQuery } from "@tanstack/react-query";
import { get } from "../shared/api";
import { Fault } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import type { ChangedLine, PageFile, PageVersions } from "../shared/schema";
import { moment, useStart } from "../shared/start";
import type { PagePlanState } from "./usePagePlan";

/** What publishing would change, and every version that was published, each of which can become the draft again. */
export function PageHistory({ plan, pageKey }: { plan: PagePlanState; pageKey: string }) {
	const start = useStart();
	const kept = plan.keeping.state === "kept" ? plan.keeping.at : null;
	const history = useQuery({
		queryKey: ["page versions", pageKey, kept],
		queryFn: ({ signal }) => get<PageVersions>(`/pages/${pageKey}/versions`, signal),
	});
	const back = useMutation({
		mutationFn: (number: number) => get<{ definition: PageFile }>(`/pages/${pageKey}/versions/${number}`),
		onSuccess: ({ definition }) => plan.change(definition),
	});
	return (
		<div className="w-96 max-w-full grid gap-3">
			{history.error && <Fault error={history.error} onRetry={history.refetch} />}
			{back.error && <Notice>{back.error.message}</Notice>}
			{history.data && history.data.draft.length > 0 && (
				<section>
					<h3 className="font-semibold">Publishing changes</h3>
					<Lines lines={history.data.draft} />
				</section>
			)}
			<ol className="grid gap-2 max-h-96 overflow-y-auto">
				{history.data?.versions.map((one) => (
					<li key={one.number} className="border-t border-base-300 pt-2 grid gap-1">
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
								Make it the draft
							</button>
						</div>
						<Lines lines={one.changed} />
					</li>
				))}
			</ol>
			{history.data?.versions.length === 0 && <p className="text-quiet">It has not been published yet.</p>}
		</div>
	);
}

function Lines({ lines }: { lines: ChangedLine[] }) {
	return (
		<ul className="text-[0.85rem] grid gap-0.5">
			{lines.map((one) => (
				<li key={`${one.now} ${one.words}`} className={one.now ? "" : "text-quiet line-through"}>
					{one.words}
				</li>
			))}
		</ul>
	);
}
