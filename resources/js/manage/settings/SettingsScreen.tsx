import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useEffect, useState } from "react";
import { del, get, post } from "../shared/api/api";
import { PREVIEW } from "../shared/api/previews";
import type { SettingsChoices, SettingsFile, SettingsWhole } from "../shared/api/schema";
import { useStart } from "../shared/api/start";
import { useDone } from "../shared/Done";
import { DraftHeader } from "../shared/drafts/DraftHeader";
import { useKeptDraft } from "../shared/drafts/useKeptDraft";
import { Fault, Opening } from "../shared/Fault";
import { Labelled } from "../shared/fields/Labelled";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import { VideoSites } from "./VideoSites";

/** The settings of the whole site. */
export function SettingsScreen() {
	const client = useQueryClient();
	const settings = useQuery({
		queryKey: ["settings"],
		queryFn: ({ signal }) => get("/settings", { signal }),
		staleTime: Number.POSITIVE_INFINITY,
	});
	const choices = useQuery({
		queryKey: ["settings choices"],
		queryFn: ({ signal }) => get("/settings/choices", { signal }),
		staleTime: Number.POSITIVE_INFINITY,
	});
	useEffect(() => () => client.removeQueries({ queryKey: ["settings"] }), [client]);
	if (settings.error) {
		return (
			<div className="p-6">
				<Fault error={settings.error} onRetry={settings.refetch} />
			</div>
		);
	}
	return settings.data && choices.data ? (
		<Loaded settings={settings.data} choices={choices.data} />
	) : (
		<Opening queries={[settings, choices]} />
	);
}

type Choice = "locale" | "timeZone" | "currency";
type Place = "home" | "homeForMembers" | "notFound" | "noAccess";

const PLACES: [Place, string, string, string][] = [
	["home", "Home page", "It answers at /.", "the page at /"],
	["homeForMembers", "Home page for members", "Whoever is signed in gets it at / instead.", "the same as for everyone"],
	["notFound", "Page for what is not found", "It shows wherever there is no page.", "a plain one"],
	["noAccess", "Page for members alone", "It shows where somebody must sign in first.", "a plain one, with the form"],
];

function Loaded({ settings, choices }: { settings: SettingsWhole; choices: SettingsChoices }) {
	const client = useQueryClient();
	const { pages } = useStart();
	const draft = useKeptDraft<SettingsFile>("settings", settings);
	const { definition, change } = draft;
	const set = (next: Partial<SettingsFile>, tag: string | null = null) => change({ ...definition, ...next }, tag);
	const without = (key: keyof SettingsFile) => {
		const { [key]: _, ...rest } = definition;
		change(rest as SettingsFile);
	};
	const chosen = (key: Choice, id: string, label: string, options: SettingsChoices["locales"], hint?: string) => (
		<Labelled label={label} id={id} hint={hint}>
			<PickByTyping
				id={id}
				label={label}
				placeholder="type a part of the name"
				options={options}
				value={definition[key]}
				onPick={(picked) => picked !== null && set({ [key]: picked })}
			/>
		</Labelled>
	);
	const places = pages.filter((one) => !one.address.includes("{"));
	return (
		<div className="flex-1 flex flex-col min-h-0 min-w-0">
			<DraftHeader
				title="Site settings"
				kind="settings"
				stored={settings}
				draft={draft}
				newest={() => get("/settings")}
				onPublished={() => void client.invalidateQueries({ queryKey: ["start"] })}
			/>
			<div
				className="flex-1 grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)] content-start
				items-start gap-x-8 gap-y-6 w-full max-w-6xl mx-auto px-4 md:px-6 py-6"
			>
				<div className="grid gap-6">
					<Section title="The site">
						<Labelled label="Name" id="name" hint="At the top of every page, in titles, and in messages.">
							<input
								id="name"
								className="input input-sm w-full"
								maxLength={100}
								value={definition.name}
								onChange={(event) => set({ name: event.target.value }, "name")}
							/>
						</Labelled>
						{chosen(
							"locale",
							"locale",
							"Language and country",
							choices.locales,
							"How dates and numbers are written, and how text is ordered and searched. " +
								"With many items another language takes minutes.",
						)}
					</Section>
					<Section title="Time and money">
						{chosen("timeZone", "zone", "Time zone", choices.timeZones)}
						<Labelled label="The week begins on" id="weekday">
							<select
								id="weekday"
								className="select select-sm w-full"
								value={definition.firstWeekday ?? ""}
								onChange={(event) =>
									event.target.value === ""
										? without("firstWeekday")
										: set({ firstWeekday: Number(event.target.value) })
								}
							>
								<option value="">as the country has it</option>
								{choices.weekdays.map((one) => (
									<option key={one.number} value={one.number}>
										{one.name}
									</option>
								))}
							</select>
						</Labelled>
						{chosen("currency", "currency", "Currency", choices.currencies)}
					</Section>
					<Demo />
					<Section title="Pages">
						{PLACES.map(([key, label, hint, none]) => (
							<Labelled key={key} label={label} id={key} hint={hint}>
								<PickByTyping
									id={key}
									label={label}
									placeholder={none}
									options={places.map((one) => ({ key: one.key, label: one.title, beside: one.address }))}
									value={definition[key] ?? null}
									onPick={(picked) => (picked === null ? without(key) : set({ [key]: picked }))}
								/>
							</Labelled>
						))}
					</Section>
					<Section title="Maps">
						<Labelled
							label="Address of the tiles"
							id="tiles"
							hint="Without one, the site draws its own maps: coasts only. Visitors load tiles of another site after a click."
						>
							<input
								id="tiles"
								className="input input-sm w-full"
								placeholder="https://tiles.example/{z}/{x}/{y}.png"
								value={definition.map?.tiles ?? ""}
								onChange={(event) => {
									const tiles = event.target.value.trim();
									tiles === ""
										? without("map")
										: set({ map: { attribution: definition.map?.attribution ?? "", tiles } });
								}}
							/>
						</Labelled>
						{definition.map && (
							<Labelled label="What their owner asks to be said" id="attribution">
								<input
									id="attribution"
									className="input input-sm w-full"
									value={definition.map.attribution}
									onChange={(event) =>
										set({ map: { tiles: definition.map?.tiles ?? "", attribution: event.target.value } })
									}
								/>
							</Labelled>
						)}
					</Section>
					<Section title="Videos of other sites">
						<VideoSites
							sites={definition.videoSites ?? []}
							onChange={(sites) => (sites.length === 0 ? without("videoSites") : set({ videoSites: sites }))}
						/>
					</Section>
					<Section title="Members">
						<label className="flex items-center gap-2 sm:col-span-2">
							<input
								type="checkbox"
								className="checkbox checkbox-sm"
								checked={definition.signUp}
								onChange={(event) => set({ signUp: event.target.checked })}
							/>
							Visitors may sign up as members
						</label>
					</Section>
				</div>
				<Examples definition={definition} />
			</div>
		</div>
	);
}

function Section({ title, children }: { title: string; children: ReactNode }) {
	return (
		<section aria-label={title} className="bg-base-100 border border-base-300 rounded-box p-4 md:p-5">
			<h2 className="font-serif text-lg font-semibold mb-3">{title}</h2>
			<div className="grid sm:grid-cols-2 gap-x-5 gap-y-4 items-start">{children}</div>
		</section>
	);
}

/** Examples of dates, numbers and money under these settings. */
function Examples({ definition }: { definition: SettingsFile }) {
	const look = useQuery({
		queryKey: [PREVIEW, "settings", JSON.stringify(definition)],
		queryFn: ({ signal }) => post("/settings/preview", { body: { definition }, signal }),
		placeholderData: keepPreviousData,
	});
	const rows: [string, string | undefined][] = [
		["Now", look.data?.moment],
		["A day", look.data?.day],
		["A month", look.data?.month],
		["A price", look.data?.money],
		["A number", look.data?.number],
		["The week", look.data?.week.join(", ")],
	];
	return (
		<section aria-label="How the site writes" aria-live="polite" className="lg:sticky lg:top-4">
			<h2 className="font-serif text-lg font-semibold mb-2">How the site writes</h2>
			{look.error ? (
				<Notice>{look.error.message}</Notice>
			) : (
				<dl className="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1.5 border-t border-base-300 pt-3">
					{rows.map(([label, text]) => (
						<div key={label} className="contents">
							<dt className="text-quiet">{label}</dt>
							<dd className="tabular-nums">{text}</dd>
						</div>
					))}
				</dl>
			)}
		</section>
	);
}

/** Removes the content of the demo, if there is any. */
function Demo() {
	const client = useQueryClient();
	const done = useDone();
	const [asking, setAsking] = useState(false);
	const demo = useQuery({
		queryKey: ["demo"],
		queryFn: ({ signal }) => get("/settings/demo", { signal }),
	});
	const remove = useMutation({
		mutationFn: () => del("/settings/demo"),
		onSuccess: ({ change, removed, left }) => {
			setAsking(false);
			done(`${removed.toLocaleString()} things of the demo are removed.`, change, left);
			void client.invalidateQueries();
		},
	});
	if (!demo.data || demo.data.left === 0) {
		return null;
	}
	return (
		<Section title="The demo">
			<p className="text-quiet">
				This site began with a demo: {demo.data.left.toLocaleString()} items, pages, modules, files and people.
			</p>
			<button type="button" className="btn btn-sm justify-self-start" onClick={() => setAsking(true)}>
				Remove the demo…
			</button>
			{asking && (
				<Sheet title="Remove the demo?" onClose={() => setAsking(false)}>
					<p>
						Its items, pages, modules, files and people go in one step, which you can undo. What you changed, and what
						your own pages and items use, stays and is listed. Content types, terms and the look stay.
					</p>
					{remove.error && <Notice>{remove.error.message}</Notice>}
					<button
						type="button"
						className="btn btn-error justify-self-start"
						disabled={remove.isPending}
						onClick={() => remove.mutate()}
					>
						{remove.isPending ? "Removing…" : "Remove the demo"}
					</button>
				</Sheet>
			)}
		</Section>
	);
}
