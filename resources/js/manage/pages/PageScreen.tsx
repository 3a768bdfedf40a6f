import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { del, get, post } from "../shared/api/api";
import type { PageWhole } from "../shared/api/schema";
import { moment, useStart } from "../shared/api/start";
import { OnDate, SeenBy } from "../shared/controls/SeenBy";
import { useDone } from "../shared/Done";
import { DraftHeader } from "../shared/drafts/DraftHeader";
import { Fault, Opening } from "../shared/Fault";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { Notice } from "../shared/Notice";
import { type Device, DeviceSwitch } from "../shared/preview/DeviceSwitch";
import { PagePreview } from "../shared/preview/PagePreview";
import { useSettled } from "../shared/useSettled";
import { Word } from "../shared/Word";
import { PageHistory } from "./PageHistory";
import { PlaceNames } from "./PlaceNames";
import { PageSentence } from "./plan/PageSentence";
import { Plan } from "./plan/Plan";
import { type PagePlanState, usePagePlan } from "./plan/usePagePlan";

/** One page: its plan and its preview. */
export function PagePlan({ pageKey }: { pageKey: string }) {
	const client = useQueryClient();
	const page = useQuery({
		queryKey: ["page", pageKey],
		queryFn: ({ signal }) => get("/pages/{key}", { params: { path: { key: pageKey } }, signal }),
		staleTime: Number.POSITIVE_INFINITY,
	});
	// The plan starts from the server's draft, not from an earlier visit's state.
	useEffect(() => () => client.removeQueries({ queryKey: ["page", pageKey] }), [client, pageKey]);
	if (page.error) {
		return (
			<div className="p-6">
				<Fault error={page.error} onRetry={page.refetch} />
			</div>
		);
	}
	return page.data ? <Loaded key={pageKey} page={page.data} /> : <Opening queries={[page]} />;
}

function Loaded({ page }: { page: PageWhole }) {
	const plan = usePagePlan(page);
	const [device, setDevice] = useState<Device>("Laptop");
	const { definition, look } = plan;
	return (
		<div className="flex-1 flex flex-col min-h-0 min-w-0">
			<Head plan={plan} page={page} />
			<PageSentence plan={plan} />
			{look.error && (
				<div className="px-4 pt-3">
					<Notice>{look.error.message}</Notice>
				</div>
			)}
			<div className="flex-1 min-h-0 grid grid-cols-[minmax(0,1fr)] xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
				<section className="bg-base-200 overflow-y-auto p-3" aria-label="Plan">
					<Plan plan={plan} />
				</section>
				<section
					className="bg-stage flex flex-col min-h-[60vh] border-l border-base-300"
					aria-label="What visitors get"
				>
					<div
						className="flex flex-wrap items-center gap-x-2 gap-y-1 px-3 py-1 min-h-11 bg-base-200 border-b
						border-base-300 text-sm"
					>
						{definition.about && <SeenAs plan={plan} />}
						<span className="text-quiet">seen by</span>
						<SeenBy previewContext={plan.previewContext} set={plan.set} />
						<span className="text-quiet">on</span>
						<OnDate previewContext={plan.previewContext} set={plan.set} />
						{look.data && <Kept until={look.data.until} depends={look.data.depends} />}
						<span className="flex-1" />
						<DeviceSwitch device={device} onChange={setDevice} />
					</div>
					<div className="flex-1 min-h-0 flex p-3">
						{look.data && (
							<PagePreview
								html={look.data.html}
								device={device}
								pointed={plan.pointed}
								onPoint={plan.setPointed}
								names={(block) => <PlaceNames plan={plan} block={block} />}
							/>
						)}
					</div>
				</section>
			</div>
		</div>
	);
}

function Head({ plan, page }: { plan: PagePlanState; page: PageWhole }) {
	const client = useQueryClient();
	const go = useNavigate();
	const [past, setPast] = useState(false);
	const { definition, look } = plan;
	const done = useDone();
	const remove = useMutation({
		mutationFn: async () => {
			await plan.keep();
			return del("/pages/{key}", { params: { path: { key: page.key } } });
		},
		onSuccess: ({ change, title }) => {
			done(`${title}.`, change);
			void client.invalidateQueries({ queryKey: ["pages"] });
			void go("/pages");
		},
		onError: (error) => done(`Not removed: ${error.message}`),
	});
	return (
		<DraftHeader
			title={definition.title}
			kind="page"
			stored={page}
			draft={plan}
			newest={() => get("/pages/{key}", { params: { path: { key: page.key } } })}
			onPublished={() => void client.invalidateQueries({ queryKey: ["pages"] })}
			isFaulty={look.error !== null}
			aside={(isLive) => (
				<>
					<button type="button" className="hover:underline cursor-pointer" onClick={() => setPast(true)}>
						History
					</button>
					{past && <PageHistory plan={plan} pageKey={page.key} onClose={() => setPast(false)} />}
					<Word words="Remove" label="Remove the page" placement="bottom end">
						<p>Visitors no longer get this page, and it leaves the list.</p>
						<button
							type="button"
							className="btn btn-sm justify-self-start"
							disabled={remove.isPending}
							onClick={() => remove.mutate()}
						>
							Remove the page
						</button>
					</Word>
					{look.data && isLive && (
						<a className="hover:underline" href={look.data.address} target="_blank" rel="noreferrer">
							View on site
						</a>
					)}
				</>
			)}
		>
			<Link to="/pages" className="text-quiet hover:underline lg:hidden">
				Pages <span aria-hidden="true">›</span>
			</Link>
		</DraftHeader>
	);
}

/** Explains why visitors always get the current page, although it is cached. */
function Kept({ until, depends }: { until: string | null; depends: string[] }) {
	const start = useStart();
	return (
		<Word words="why is this right?" label="Why is this right?">
			<p>
				Visitors without an account are given this page as it was made once, until one of these changes
				{until === null ? "." : `, and at most until ${moment(start, until)}.`}
			</p>
			<ul className="text-sm text-quiet columns-2">
				{depends.map((one) => (
					<li key={one}>{one.replace(":", " ")}</li>
				))}
			</ul>
		</Word>
	);
}

/** Chooses the record for the preview of a page with a placeholder: a term, an item, a month, a person. */
function SeenAs({ plan }: { plan: PagePlanState }) {
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const { definition, look, slug, setSlug } = plan;
	const found = useQuery({
		queryKey: ["subjects", definition.about, sought],
		queryFn: ({ signal }) => post("/pages/subjects", { body: { definition, q: sought }, signal }),
		enabled: sought !== "",
	});
	return (
		<>
			<span className="text-quiet">as</span>
			<Word words={look.data?.subject?.title ?? "…"} label="Seen as">
				<PickByTyping
					label="Seen as"
					placeholder="find by name"
					options={found.data?.map((one) => ({ key: one.slug, label: one.title }))}
					value={slug || null}
					named={look.data?.subject?.title}
					onWords={setWords}
					onPick={(picked) => setSlug(picked ?? "")}
				/>
			</Word>
		</>
	);
}
