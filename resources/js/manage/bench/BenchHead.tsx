import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { get, post } from "../shared/api/api";
import type { ModuleWhole } from "../shared/api/schema";
import { DraftState, DraftTrouble } from "../shared/drafts/DraftState";
import { useStanding } from "../shared/drafts/useStanding";
import { Notice } from "../shared/Notice";
import { Faults } from "./Faults";
import { PagesMenu } from "./PagesMenu";
import type { Bench } from "./useBench";

/** The module's name and state, and what is done with the whole of it. */
export function BenchHead({ bench, module, onCompare }: { bench: Bench; module: ModuleWhole; onCompare: () => void }) {
	const client = useQueryClient();
	const { definition, change, keeping } = bench;
	const [state, setState] = useState(module);
	const { standing, published: taken } = useStanding(module, definition, module.liveDefinition);
	const publish = useMutation({
		mutationFn: async () => {
			if (!(await bench.keep())) {
				throw new Error("Nothing was published, because the draft is not kept yet.");
			}
			return post("/modules/{key}/publish", {
				params: { path: { key: module.key } },
				body: { revision: bench.revision() },
			});
		},
		onSuccess: (now) => {
			setState(now);
			bench.published(now);
			taken(now);
			void client.invalidateQueries({ queryKey: ["modules"] });
			void client.invalidateQueries({ queryKey: ["versions", module.key] });
		},
	});
	const broken = (bench.preview.data?.problems.length ?? 0) > 0;
	const published = standing.live && !standing.changed;

	return (
		<div
			className="flex flex-wrap items-center gap-x-3 gap-y-2 px-4 md:px-5 py-2 min-h-13 bg-base-100 border-b
			border-base-300 shrink-0"
		>
			<Link to="/modules" className="text-quiet hover:underline">
				Modules <span aria-hidden="true">›</span>
			</Link>
			<h1 className="sr-only">{definition.name}</h1>
			<input
				className="font-serif text-xl font-semibold bg-transparent border-b border-transparent hover:border-base-300
					focus:border-primary px-0.5 w-[14ch] grow md:grow-0 md:[field-sizing:content] min-w-32 max-w-full"
				aria-label="Name of the module"
				maxLength={200}
				key={definition.name}
				defaultValue={definition.name}
				onBlur={(event) => {
					const name = event.target.value.trim();
					if (name === "") {
						event.target.value = definition.name;
					} else if (name !== definition.name) {
						change({ ...definition, name });
					}
				}}
				onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
			/>
			<DraftState draft={bench} savedAt={module.savedAt} standing={standing} />
			<span className="flex-1" />
			<PagesMenu module={state} onPlaced={setState} />
			{state.off && (
				<span className="rounded-full bg-warning text-warning-content px-2.5 py-0.5 text-xs">switched off</span>
			)}
			<button type="button" className="btn btn-sm h-9" onClick={onCompare}>
				Compare with live
			</button>
			<button
				type="button"
				className="btn btn-secondary btn-sm h-9 px-4"
				disabled={published || publish.isPending || keeping.state === "stale" || broken}
				onClick={() => publish.mutate()}
			>
				{published ? "Published" : "Publish"}
			</button>
			{publish.error && (
				<div className="w-full">
					<Notice>{publish.error.message}</Notice>
				</div>
			)}
		</div>
	);
}

/** What stands between the manager and a kept draft, with the ways out. */
export function Trouble({ bench }: { bench: Bench }) {
	const { preview } = bench;
	return (
		<>
			<DraftTrouble
				draft={bench}
				newest={() => get("/modules/{key}", { params: { path: { key: bench.definition.key } } })}
			/>
			{preview.error && (
				<div className="px-4 pt-3 grid gap-2">
					<Faults error={preview.error} />
					<button type="button" className="plain-add justify-self-start" onClick={() => void preview.refetch()}>
						Try again
					</button>
				</div>
			)}
		</>
	);
}
