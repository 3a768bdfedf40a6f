import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { get } from "../shared/api/api";
import type { ModuleWhole } from "../shared/api/schema";
import { DraftHeader } from "../shared/drafts/DraftHeader";
import { PagesMenu } from "./PagesMenu";
import type { Bench } from "./useBench";

/** The module's name and state, and the actions on the whole module. */
export function BenchHead({ bench, module, onCompare }: { bench: Bench; module: ModuleWhole; onCompare: () => void }) {
	const client = useQueryClient();
	const { definition, change } = bench;
	const [state, setState] = useState(module);
	return (
		<DraftHeader
			title={definition.name}
			name={<ModuleName name={definition.name} onRename={(name) => change({ ...definition, name })} />}
			kind="module"
			stored={module}
			live={module.liveDefinition}
			draft={bench}
			newest={() => get("/modules/{key}", { params: { path: { key: module.key } } })}
			isFaulty={(bench.preview.data?.problems.length ?? 0) > 0}
			onPublished={(now) => {
				setState(now);
				void client.invalidateQueries({ queryKey: ["modules"] });
				void client.invalidateQueries({ queryKey: ["versions", module.key] });
			}}
			aside={() => (
				<>
					<PagesMenu module={state} onPlaced={setState} />
					{state.off && (
						<span className="rounded-full bg-warning text-warning-content px-2.5 py-0.5 text-xs">switched off</span>
					)}
					<button type="button" className="btn btn-sm h-9" onClick={onCompare}>
						Compare with live
					</button>
				</>
			)}
		>
			<Link to="/modules" className="text-quiet hover:underline">
				Modules <span aria-hidden="true">›</span>
			</Link>
		</DraftHeader>
	);
}

function ModuleName({ name, onRename }: { name: string; onRename: (name: string) => void }) {
	return (
		<input
			className="font-serif text-xl font-semibold bg-transparent border-b border-transparent hover:border-base-300
				focus:border-primary px-0.5 w-[14ch] grow md:grow-0 md:[field-sizing:content] min-w-32 max-w-full"
			aria-label="Name of the module"
			maxLength={200}
			key={name}
			defaultValue={name}
			onBlur={(event) => {
				const typed = event.target.value.trim();
				if (typed === "") {
					event.target.value = name;
				} else if (typed !== name) {
					onRename(typed);
				}
			}}
			onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
		/>
	);
}
