import { keepPreviousData, skipToken, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { del, get, post } from "../shared/api/api";
import type { LookFile, Looks, LookWhole } from "../shared/api/schema";
import { DraftHeader } from "../shared/drafts/DraftHeader";
import { useKeptDraft } from "../shared/drafts/useKeptDraft";
import { Fault, Opening } from "../shared/Fault";
import { useSettled } from "../shared/useSettled";
import { Changes } from "./Changes";
import { Colours, Contrasts } from "./Colours";
import { MoreLooks } from "./MoreLooks";
import { ROOM } from "./notes";
import { OptionWords } from "./OptionWords";
import { PagesOfLook } from "./PagesOfLook";
import { Plate } from "./Plate";

/** The site's look, which can be tried before it is live. */
export function LookScreen() {
	const { key } = useParams();
	const client = useQueryClient();
	const looks = useQuery({ queryKey: ["looks"], queryFn: ({ signal }) => get("/looks", { signal }) });
	const chosen = key ?? looks.data?.looks.find((one) => one.live)?.key;
	const look = useQuery({
		queryKey: ["look file", chosen],
		queryFn: chosen ? ({ signal }) => get("/looks/{key}", { params: { path: { key: chosen } }, signal }) : skipToken,
		enabled: chosen !== undefined,
		staleTime: Number.POSITIVE_INFINITY,
	});
	useEffect(() => () => client.removeQueries({ queryKey: ["look file"] }), [client]);
	const error = looks.error ?? look.error;
	if (error) {
		return (
			<div className="p-6 grid gap-3">
				<Fault error={error} onRetry={() => void look.refetch()} />
				<Link to="/look" className="link">
					The look that is live
				</Link>
			</div>
		);
	}
	return looks.data && look.data ? (
		<Loaded key={look.data.key} looks={looks.data} look={look.data} />
	) : (
		<Opening queries={[looks, look]} />
	);
}

type View = "plate" | "page" | "both";

const CHOSEN = "font-semibold border-secondary";
const BAR = "flex flex-wrap items-center gap-x-4 gap-y-1 px-4 md:px-5 py-2";
const SIDE_BY_SIDE = "grid gap-x-8 gap-y-6 xl:grid-cols-[minmax(0,1fr)_22rem] items-start";

function Loaded({ looks, look }: { looks: Looks; look: LookWhole }) {
	const client = useQueryClient();
	const navigate = useNavigate();
	const draft = useKeptDraft<LookFile>("look", look);
	const { definition, change } = draft;
	const [view, setView] = useState<View>("plate");
	const [isDark, setDark] = useState(false);
	const shown = useSettled(definition, 120);
	const measure = useQuery({
		queryKey: ["look measure", shown, isDark],
		queryFn: ({ signal }) => post("/looks/measure", { body: { definition: shown, dark: isDark }, signal }),
		placeholderData: keepPreviousData,
	});
	const set = (next: Partial<LookFile>, tag: string | null = null) => change({ ...definition, ...next }, tag);
	const setOption = (group: string, option: string, value: unknown) =>
		set({ [group]: { ...(definition[group] as object | undefined), [option]: value } }, `${group}.${option}`);
	const palette = isDark ? (definition.dark ?? definition.colours) : definition.colours;
	const setColour = (role: string, hex: string) =>
		set({ [isDark ? "dark" : "colours"]: { ...palette, [role]: hex } }, `colour ${role}`);
	const remove = useMutation({
		mutationFn: () => del("/looks/{key}", { params: { path: { key: look.key } } }),
		onSuccess: () => {
			void client.invalidateQueries({ queryKey: ["looks"] });
			void navigate("/look");
		},
	});
	const isShipped = looks.looks.find((one) => one.key === look.key)?.ships ?? false;

	return (
		<div className="flex-1 flex flex-col min-h-0 min-w-0">
			<DraftHeader
				title={definition.name}
				kind="look"
				stored={look}
				draft={draft}
				newest={() => get("/looks/{key}", { params: { path: { key: look.key } } })}
				words={["Make it live", "Live"]}
				isFaulty={measure.error !== null}
				onPublished={() => void client.invalidateQueries({ queryKey: ["looks"] })}
				aside={() => (
					<button
						type="button"
						className="btn btn-sm h-9"
						aria-pressed={view === "both"}
						onClick={() => setView(view === "both" ? "plate" : "both")}
					>
						Compare with live
					</button>
				)}
			/>
			<nav className={`${BAR} bg-base-200 border-b border-base-300 text-sm`} aria-label="Looks">
				<span className="text-quiet">{looks.looks.length} looks:</span>
				{looks.looks.map((one) => (
					<Link
						key={one.key}
						to={`/look/${one.key}`}
						className={one.key === look.key ? "font-semibold" : "word"}
						aria-current={one.key === look.key ? "page" : undefined}
					>
						{one.name}
						{one.live && <span className="text-quiet font-normal"> (live)</span>}
					</Link>
				))}
				<span className="flex-1" />
				<fieldset className="flex gap-3">
					<legend className="sr-only">Light or dark</legend>
					{[false, true].map((dark) => (
						<button
							key={String(dark)}
							type="button"
							className={`cursor-pointer border-b-2 ${isDark === dark ? CHOSEN : "text-quiet border-transparent"}`}
							aria-pressed={isDark === dark}
							onClick={() => setDark(dark)}
						>
							{dark ? "dark" : "light"}
						</button>
					))}
				</fieldset>
				<button type="button" className="plain-add" onClick={() => setView(view === "page" ? "plate" : "page")}>
					{view === "page" ? "The plate" : "A page in it"}
				</button>
			</nav>
			{measure.error && <p className="px-5 py-2 text-error">{measure.error.message}</p>}
			{view === "plate" ? (
				<div className={`w-full max-w-7xl mx-auto px-4 md:px-6 py-5 ${SIDE_BY_SIDE}`}>
					<section className="grid gap-6 min-w-0" aria-label="The plate">
						{measure.data && (
							<Plate html={measure.data.plate} groups={looks.groups} look={definition} onChange={setOption} />
						)}
						<div className="grid gap-2">
							<h2 className="font-serif text-lg font-semibold">Every text on every ground</h2>
							<Contrasts
								pairs={(isDark ? measure.data?.dark : measure.data?.light) ?? []}
								onTake={(role, hex) => setColour(role, hex)}
							/>
						</div>
					</section>
					<aside className="grid gap-6 content-start">
						<section className="grid gap-2">
							<h2 className="font-serif text-lg font-semibold">Colours by what they do</h2>
							{isDark && !definition.dark ? (
								<button
									type="button"
									className="plain-add justify-self-start"
									onClick={() => set({ dark: definition.colours })}
								>
									Add colours for the dark
								</button>
							) : (
								<Colours
									roles={looks.roles}
									colours={palette}
									pairs={(isDark ? measure.data?.dark : measure.data?.light) ?? []}
									onChange={setColour}
								/>
							)}
						</section>
						<p className="text-sm leading-[1.8]">
							<OptionWords says={ROOM} groups={looks.groups} look={definition} onChange={setOption} />
						</p>
						<Changes measure={measure.data} />
						<label className="grid gap-1.5">
							<span className="font-serif text-lg font-semibold">A style sheet of its own</span>
							<span className="text-sm text-quiet">
								It holds within the content of pages, fetches nothing, and lies over nothing else.
							</span>
							<textarea
								className="textarea textarea-sm w-full font-mono text-xs"
								rows={4}
								spellCheck={false}
								value={definition.css ?? ""}
								onChange={(event) => set({ css: event.target.value }, "css")}
							/>
							{measure.data?.cssFault && <span className="text-sm text-error">{measure.data.cssFault}</span>}
						</label>
						<MoreLooks look={look} name={definition.name} onRename={(name) => set({ name }, "name")} />
						{!isShipped && !look.live && (
							<button type="button" className="plain-add justify-self-start" onClick={() => remove.mutate()}>
								Remove this look
							</button>
						)}
						{remove.error && <p className="text-error">{remove.error.message}</p>}
					</aside>
				</div>
			) : (
				<PagesOfLook definition={shown} compares={view === "both"} live={looks.looks.find((one) => one.live)?.key} />
			)}
		</div>
	);
}
