import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useParams, useSearchParams } from "react-router";
import { OpenItem } from "../content/item/ItemScreen";
import { get } from "../shared/api/api";
import { PREVIEW } from "../shared/api/previews";
import type { ModuleWhole } from "../shared/api/schema";
import { Fault, Opening } from "../shared/Fault";
import { type Device, DeviceSwitch } from "../shared/preview/DeviceSwitch";
import { PagePreview } from "../shared/preview/PagePreview";
import { AdviceList } from "./AdviceList";
import { AsText } from "./AsText";
import { BenchHead } from "./BenchHead";
import { CompareView, type Pair } from "./CompareView";
import { Faults } from "./Faults";
import { PreviewControls } from "./PreviewControls";
import { ResultsTable } from "./ResultsTable";
import { SourceContext } from "./source";
import { Text } from "./stream/Text";
import { type Asked, TraceBar } from "./TraceBar";
import { useBench } from "./useBench";

/** The editor of one module: its text and stream on the left, what visitors get on the right. */
export function BenchScreen() {
	const { key = "" } = useParams();
	const client = useQueryClient();
	const module = useQuery({
		queryKey: ["module", key],
		queryFn: ({ signal }) => get("/modules/{key}", { params: { path: { key } }, signal }),
		staleTime: Number.POSITIVE_INFINITY,
	});
	// The bench starts from the server's draft, not from an earlier visit's state.
	useEffect(() => () => client.removeQueries({ queryKey: ["module", key] }), [client, key]);

	if (module.error) {
		return (
			<div className="p-6 grid gap-3">
				<Fault error={module.error} onRetry={module.refetch} />
				<Link to="/modules" className="link">
					All modules
				</Link>
			</div>
		);
	}
	return module.data ? (
		<Loaded key={key} module={module.data} />
	) : (
		<Opening queries={[module]} words="Opening the bench…" />
	);
}

function Loaded({ module }: { module: ModuleWhole }) {
	const bench = useBench(module);
	const [device, setDevice] = useState<Device>(window.innerWidth < 768 ? "Phone" : "Laptop");
	const [side, setSide] = useState<"text" | "page">("text");
	const [tab, setTab] = useState<Tab>("page");
	const [pair, setPair] = useState<Pair>(LATEST);
	const [wanted, setWanted] = useState<Asked | null>(null);
	const [asText, setAsText] = useState(false);
	const preview = bench.preview.data;
	const client = useQueryClient();
	// Stored in the address, so that the browser's Back closes it.
	const [address, setAddress] = useSearchParams();
	const [openType, openId] = address.get("item")?.split("/") ?? [];
	const open = (type: string, id: number) => {
		setAddress({ item: `${type}/${id}` });
		setSide("page");
	};

	useEffect(() => {
		const keys = (event: KeyboardEvent) => {
			const typing = (event.target as Element).closest?.("input, textarea, [contenteditable=true]");
			if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z" && !typing) {
				event.preventDefault();
				event.shiftKey ? bench.redo() : bench.undo();
			}
		};
		window.addEventListener("keydown", keys);
		return () => window.removeEventListener("keydown", keys);
	}, [bench.undo, bench.redo]);

	return (
		<div className="flex-1 flex flex-col min-h-0 md:flex-none md:h-[calc(100vh-3rem)]">
			<BenchHead
				bench={bench}
				module={module}
				onCompare={() => {
					setPair(LATEST);
					setTab("compare");
					setSide("page");
				}}
			/>
			{bench.preview.error && (
				<div className="px-4 pt-3 grid gap-2">
					<Faults error={bench.preview.error} />
					<button type="button" className="plain-add justify-self-start" onClick={() => void bench.preview.refetch()}>
						Try again
					</button>
				</div>
			)}
			<div className="md:hidden sticky top-0 z-20 flex gap-4 px-4 py-2 border-b border-base-300 bg-base-100">
				{(["text", "page"] as const).map((one) => (
					<button
						key={one}
						type="button"
						aria-pressed={side === one}
						className={`cursor-pointer py-1 border-b-2
							${side === one ? "font-semibold border-secondary" : "border-transparent text-quiet"}`}
						onClick={() => setSide(one)}
					>
						{one === "text" ? "The rules" : "The page"}
					</button>
				))}
			</div>
			{preview ? (
				<SourceContext value={preview.source}>
					<div
						className="flex-1 min-h-0 grid grid-cols-[minmax(0,1fr)] md:grid-rows-[minmax(0,1fr)]
						md:grid-cols-[minmax(22rem,29rem)_minmax(0,1fr)]"
					>
						<section
							className={`bg-base-200 border-r border-base-300 overflow-y-auto py-2
								${side === "page" ? "hidden md:block" : ""}`}
							aria-label="Rules"
						>
							<Text bench={bench} preview={preview} />
							<AdviceList bench={bench} preview={preview} />
							{preview.notes.map((note) => (
								<p key={note} className="mx-4 my-2 text-sm text-secondary">
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
							{openType && openId ? (
								<section className="flex-1 min-h-0 overflow-y-auto relative bg-base-100" aria-label="The item itself">
									<OpenItem
										key={openId}
										type={openType}
										id={openId}
										beside={{
											words: TABS.find(([key]) => key === tab)?.[1] ?? "",
											onClose: () => setAddress({}, { replace: true }),
											onChanged: () =>
												client.invalidateQueries({
													predicate: ({ queryKey }) => OF_RECORDS.includes(String(queryKey[0])),
												}),
										}}
									/>
								</section>
							) : (
								<>
									<div
										className="flex flex-wrap items-center gap-x-5 gap-y-1 px-4 py-1 min-h-11 shrink-0 bg-base-200 border-b
										border-base-300"
									>
										<fieldset className="flex gap-4">
											<legend className="sr-only">What to see</legend>
											{TABS.map(([key, words]) => (
												<button
													key={key}
													type="button"
													aria-pressed={tab === key}
													onClick={() => setTab(key)}
													className={`cursor-pointer py-1 border-b-2 ${
														tab === key
															? "font-semibold border-secondary"
															: "text-quiet border-transparent hover:text-base-content"
													}`}
												>
													{words}
													{key === "results" && ` ${preview.total}`}
													{key === "page" && preview.pages > 1 && ` ${preview.page} of ${preview.pages}`}
												</button>
											))}
										</fieldset>
										<span className="sr-only" aria-live="polite">
											{preview.total === 1 ? "1 record" : `${preview.total} records`}
										</span>
										<span className="flex-1" />
										{tab === "page" && <DeviceSwitch device={device} onChange={setDevice} />}
										<PreviewControls bench={bench} />
									</div>
									{tab === "page" && (
										<div className="flex-1 min-h-0 flex p-3">
											<PagePreview
												html={preview.html}
												moduleKey={module.key}
												device={device}
												onPage={bench.setPage}
												onChoose={(choices) => bench.setPreviewContext({ ...bench.previewContext, choices })}
											/>
										</div>
									)}
									{tab === "results" && <ResultsTable bench={bench} onAsk={setWanted} onOpen={open} />}
									{tab === "compare" && <CompareView bench={bench} pair={pair} onPair={setPair} />}
								</>
							)}
							<TraceBar bench={bench} wanted={wanted} onWanted={setWanted} onOpen={open} />
						</section>
					</div>
					{asText && <AsText bench={bench} preview={preview} onClose={() => setAsText(false)} />}
				</SourceContext>
			) : (
				!bench.preview.error && <p className="p-6 text-quiet">Counting…</p>
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

/** The draft compared with the live version. */
const LATEST: Pair = { version: null, against: null };

/** Queries about records, which must be repeated after a record changes. */
const OF_RECORDS = [PREVIEW, "results", "trace", "options", "compare"];
