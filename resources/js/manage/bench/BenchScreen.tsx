import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Redo2, Undo2 } from "lucide-react";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { ApiError, get, send } from "../shared/api";
import { Notice } from "../shared/Notice";
import { moment, useStart } from "../shared/start";
import type { ModuleWhole } from "../shared/types";
import { AsText } from "./AsText";
import { CompareView } from "./CompareView";
import { PagesMenu } from "./PagesMenu";
import { type Device, DeviceSwitch, Preview } from "./Preview";
import { ResultsTable } from "./ResultsTable";
import { Standing } from "./Standing";
import { SourceContext } from "./source";
import { Text } from "./Text";
import { TraceBar, type Wanted } from "./TraceBar";
import { type Bench, useBench } from "./useBench";

/** The editor of one module: its text and stream on the left, what visitors get on the right. */
export function BenchScreen() {
	const { key = "" } = useParams();
	const client = useQueryClient();
	const module = useQuery({
		queryKey: ["module", key],
		queryFn: () => get<ModuleWhole>(`/modules/${key}`),
		staleTime: Number.POSITIVE_INFINITY,
	});
	// The bench starts from what the server has, not from what an earlier visit left behind.
	useEffect(() => () => client.removeQueries({ queryKey: ["module", key] }), [client, key]);

	if (module.error) {
		return (
			<div className="p-6 grid gap-3">
				<Notice>{module.error.message}</Notice>
				<Link to="/modules" className="link">
					All modules
				</Link>
			</div>
		);
	}
	return module.data ? <Loaded key={key} module={module.data} /> : <p className="p-6 text-quiet">Opening the bench…</p>;
}

function Loaded({ module }: { module: ModuleWhole }) {
	const bench = useBench(module);
	const [device, setDevice] = useState<Device>(window.innerWidth < 768 ? "Phone" : "Laptop");
	const [side, setSide] = useState<"text" | "page">("text");
	const [tab, setTab] = useState<Tab>("page");
	const [against, setAgainst] = useState<number | null>(null);
	const [wanted, setWanted] = useState<Wanted | null>(null);
	const [asText, setAsText] = useState(false);
	const look = bench.look.data;

	useEffect(() => {
		document.title = `${bench.definition.name} · Wellspring`;
		const keys = (event: KeyboardEvent) => {
			const typing = (event.target as Element).matches?.("input, textarea");
			if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z" && !typing) {
				event.preventDefault();
				event.shiftKey ? bench.redo() : bench.undo();
			}
		};
		window.addEventListener("keydown", keys);
		return () => window.removeEventListener("keydown", keys);
	}, [bench.definition.name, bench.undo, bench.redo]);

	return (
		<div className="flex-1 flex flex-col min-h-0 md:flex-none md:h-[calc(100vh-3rem)]">
			<Head
				bench={bench}
				module={module}
				onCompare={() => {
					setAgainst(null);
					setTab("compare");
					setSide("page");
				}}
			/>
			<Trouble bench={bench} />
			<div className="md:hidden flex gap-4 px-4 py-2 border-b border-base-300 bg-base-100">
				{(["text", "page"] as const).map((one) => (
					<button
						key={one}
						type="button"
						aria-pressed={side === one}
						className={`cursor-pointer py-1 border-b-2 ${side === one ? "font-semibold border-secondary" : "border-transparent text-quiet"}`}
						onClick={() => setSide(one)}
					>
						{one === "text" ? "The rules" : "The page"}
					</button>
				))}
			</div>
			{look ? (
				<SourceContext value={look.source}>
					<div className="flex-1 min-h-0 grid grid-cols-[minmax(0,1fr)] md:grid-rows-[minmax(0,1fr)] md:grid-cols-[minmax(22rem,29rem)_minmax(0,1fr)]">
						<section
							className={`bg-base-200 border-r border-base-300 overflow-y-auto py-2 ${side === "page" ? "hidden md:block" : ""}`}
							aria-label="Rules"
						>
							<Text bench={bench} look={look} />
							{look.notes.map((note) => (
								<p key={note} className="mx-4 my-2 text-[0.85rem] text-secondary">
									{note}
								</p>
							))}
							<button type="button" className="plain-add ml-[70px] my-2" onClick={() => setAsText(true)}>
								As text and JSON
							</button>
						</section>
						<section
							className={`bg-stage min-h-[70vh] md:min-h-0 flex-col ${side === "text" ? "hidden md:flex" : "flex"}`}
							aria-label="What visitors get"
						>
							<div className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-1 min-h-11 shrink-0 bg-base-200 border-b border-base-300">
								<fieldset className="flex gap-4">
									<legend className="sr-only">What to see</legend>
									{TABS.map(([key, words]) => (
										<button
											key={key}
											type="button"
											aria-pressed={tab === key}
											onClick={() => setTab(key)}
											className={`cursor-pointer py-1 border-b-2 ${tab === key ? "font-semibold border-secondary" : "text-quiet border-transparent hover:text-base-content"}`}
										>
											{words}
											{key === "results" && ` ${look.total}`}
											{key === "page" && look.pages > 1 && ` ${look.page} of ${look.pages}`}
										</button>
									))}
								</fieldset>
								<span className="sr-only" aria-live="polite">
									{look.total === 1 ? "1 record" : `${look.total} records`}
								</span>
								<span className="flex-1" />
								{tab === "page" && <DeviceSwitch device={device} onChange={setDevice} />}
								<Standing bench={bench} />
							</div>
							{tab === "page" && (
								<div className="flex-1 min-h-0 flex p-3">
									<Preview look={look} moduleKey={module.key} device={device} onPage={bench.setPage} />
								</div>
							)}
							{tab === "results" && <ResultsTable bench={bench} onAsk={setWanted} />}
							{tab === "compare" && <CompareView bench={bench} against={against} onAgainst={setAgainst} />}
							<TraceBar bench={bench} wanted={wanted} onWanted={setWanted} />
						</section>
					</div>
					{asText && <AsText bench={bench} look={look} onClose={() => setAsText(false)} />}
				</SourceContext>
			) : (
				!bench.look.error && <p className="p-6 text-quiet">Counting…</p>
			)}
		</div>
	);
}

type Tab = "page" | "results" | "compare";

const TABS: [Tab, string][] = [
	["page", "Page"],
	["results", "Results"],
	["compare", "Versions"],
];

function Head({ bench, module, onCompare }: { bench: Bench; module: ModuleWhole; onCompare: () => void }) {
	const start = useStart();
	const client = useQueryClient();
	const { definition, change, keeping } = bench;
	const [state, setState] = useState(module);
	const [live, setLive] = useState(module.liveDefinition);
	const publish = useMutation({
		mutationFn: async () => {
			if (!(await bench.keep())) {
				throw new Error("Nothing was published, because the draft is not kept yet.");
			}
			return { publishing: definition, now: await send<ModuleWhole>("POST", `/modules/${module.key}/publish`, {}) };
		},
		onSuccess: ({ publishing, now }) => {
			setState(now);
			setLive(publishing);
			void client.invalidateQueries({ queryKey: ["modules"] });
			void client.invalidateQueries({ queryKey: ["versions", module.key] });
		},
	});
	const broken = (bench.look.data?.problems.length ?? 0) > 0;
	const published = live !== null && JSON.stringify(live) === JSON.stringify(definition);

	return (
		<div className="flex flex-wrap items-center gap-x-3 gap-y-2 px-4 md:px-5 py-2 min-h-13 bg-base-100 border-b border-base-300 shrink-0">
			<Link to="/modules" className="text-quiet hover:underline">
				Modules <span aria-hidden="true">›</span>
			</Link>
			<h1 className="sr-only">{definition.name}</h1>
			<input
				className="font-serif text-xl font-semibold bg-transparent border-b border-transparent hover:border-base-300 focus:border-primary px-0.5 w-[14ch] grow md:grow-0 md:[field-sizing:content] min-w-32 max-w-full"
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
			<span role="status" className="rounded-full bg-accent text-accent-content px-2.5 py-0.5 text-[0.8rem]">
				{keeping.state === "kept" && `Draft · every change kept, ${moment(start, keeping.at)}`}
				{keeping.state === "keeping" && "Draft · keeping…"}
				{keeping.state === "stale" && "Draft · changed elsewhere"}
				{keeping.state === "failed" && "Draft · not kept yet"}
			</span>
			<span className="flex">
				<button
					type="button"
					className="btn btn-ghost btn-sm btn-square"
					aria-label="Undo"
					disabled={!bench.canUndo}
					onClick={bench.undo}
				>
					<Undo2 className="size-4" aria-hidden="true" />
				</button>
				<button
					type="button"
					className="btn btn-ghost btn-sm btn-square"
					aria-label="Redo"
					disabled={!bench.canRedo}
					onClick={bench.redo}
				>
					<Redo2 className="size-4" aria-hidden="true" />
				</button>
			</span>
			<span className="flex-1" />
			<span className="text-quiet">
				{state.live && state.publishedAt ? `Live since ${moment(start, state.publishedAt, false)}` : "Not live yet"} ·
			</span>
			<PagesMenu module={state} onPlaced={setState} />
			{state.off && (
				<span className="rounded-full bg-warning text-warning-content px-2.5 py-0.5 text-[0.8rem]">switched off</span>
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
function Trouble({ bench }: { bench: Bench }) {
	const { keeping, look } = bench;
	const fetchNewest = () => get<ModuleWhole>(`/modules/${bench.definition.key}`);
	return (
		<>
			{keeping.state === "stale" && (
				<div className="px-4 pt-3">
					<Notice>
						Someone else changed this draft while you did. Yours is still here.{" "}
						<button
							type="button"
							className="link font-semibold"
							onClick={async () => bench.overwrite((await fetchNewest()).revision)}
						>
							Keep mine over theirs
						</button>{" "}
						or{" "}
						<button
							type="button"
							className="link font-semibold"
							onClick={async () => bench.takeTheirs(await fetchNewest())}
						>
							take theirs
						</button>{" "}
						(undo brings yours back).
					</Notice>
				</div>
			)}
			{keeping.state === "failed" && (
				<div className="px-4 pt-3">
					<Notice>
						The draft could not be kept: {keeping.why} Your changes are still here.{" "}
						<button type="button" className="link font-semibold" onClick={() => bench.keep()}>
							Try again
						</button>
					</Notice>
				</div>
			)}
			{look.error && (
				<div className="px-4 pt-3">
					<Notice>
						{look.error instanceof ApiError && look.error.problems.length > 0 ? (
							<ul>
								{look.error.problems.map((one) => (
									<li key={one.path + one.code}>
										<code>{one.path}</code> {one.message}
									</li>
								))}
							</ul>
						) : (
							look.error.message
						)}
					</Notice>
				</div>
			)}
		</>
	);
}
