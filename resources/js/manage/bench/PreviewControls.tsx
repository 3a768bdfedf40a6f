import { useState } from "react";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { PickItem } from "../shared/fields/PickItem";
import type { PreviewContext } from "../shared/schema";
import { useStart } from "../shared/start";
import { Word } from "../shared/Word";
import { fromZone, toZone } from "../shared/zone";
import type { Bench } from "./useBench";

const AS: Record<string, string> = { "signed-out": "anyone", members: "a member", everyone: "no one in particular" };

/** From where the page is seen: by whom, on which date, on a page about what, with which words looked for. */
export function PreviewControls({ bench }: { bench: Bench }) {
	const { previewContext, setPreviewContext } = bench;
	const { site } = useStart();
	const set = (next: Partial<PreviewContext>) => {
		const all = { ...previewContext, ...next };
		setPreviewContext(
			Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined && value !== "")),
		);
	};
	return (
		<div className="flex flex-wrap items-center gap-x-1.5 text-[0.88rem]">
			<span className="text-quiet">seen by</span>
			<SeenBy previewContext={previewContext} set={set} />
			<span className="text-quiet">on</span>
			<Word
				placement="bottom end"
				words={
					previewContext.at
						? new Date(previewContext.at).toLocaleDateString(site.locale, {
								dateStyle: "medium",
								timeZone: site.timeZone,
							})
						: "today"
				}
				label="On which date"
			>
				<label className="grid gap-1.5">
					<span className="text-[0.78rem] text-quiet">The page as it will be, or would have been</span>
					<input
						type="datetime-local"
						className="input input-sm"
						value={toZone(previewContext.at, site.timeZone)}
						onChange={(event) => set({ at: fromZone(event.target.value, site.timeZone) ?? "" })}
					/>
				</label>
				{previewContext.at && (
					<button type="button" className="plain-add justify-self-start" onClick={() => set({ at: "" })}>
						Back to today
					</button>
				)}
			</Word>
			<span className="text-quiet">on</span>
			<Word placement="bottom end" words={aboutWords(previewContext)} label="On a page about">
				<About bench={bench} set={set} />
			</Word>
		</div>
	);
}

/** As whom the page is looked at: signed out, a member, a member of groups, or somebody by name. */
function SeenBy({
	previewContext,
	set,
}: {
	previewContext: PreviewContext;
	set: (next: Partial<PreviewContext>) => void;
}) {
	const { audiences, people } = useStart();
	const [as = "", ...chosen] = (previewContext.as ?? "signed-out").split(",");
	const groups = audiences.filter((one) => one.key.startsWith("group:"));
	const person = people.find((one) => one.email === previewContext.person);
	const toggle = (key: string) => {
		const next = chosen.includes(key) ? chosen.filter((one) => one !== key) : [...chosen, key];
		set({ as: ["members", ...next].join(","), person: undefined });
	};
	const words = groups.filter((one) => chosen.includes(one.key)).map((one) => one.label);
	return (
		<Word
			placement="bottom end"
			words={person?.name ?? (words.length > 0 ? words.join(", ") : (AS[as] ?? "anyone"))}
			label="Seen by"
		>
			<fieldset className="grid gap-1.5">
				<legend className="text-[0.78rem] text-quiet">Audience</legend>
				{Object.entries(AS).map(([key, words]) => (
					<label key={key} className="flex items-center gap-2">
						<input
							type="radio"
							name="audience"
							className="radio radio-sm"
							checked={as === key && !previewContext.person}
							onChange={() => set({ as: key, person: undefined })}
						/>
						{words}
					</label>
				))}
			</fieldset>
			{groups.length > 0 && (
				<fieldset className="grid gap-1.5 max-h-44 overflow-y-auto">
					<legend className="text-[0.78rem] text-quiet">A member of</legend>
					{groups.map((one) => (
						<label key={one.key} className="flex items-center gap-2">
							<input
								type="checkbox"
								className="checkbox checkbox-sm"
								checked={chosen.includes(one.key) && !previewContext.person}
								onChange={() => toggle(one.key)}
							/>
							{one.label}
						</label>
					))}
				</fieldset>
			)}
			<PickByTyping
				label="Somebody who has signed in"
				placeholder="a member by name…"
				options={people.map((one) => ({ key: one.email, label: one.name }))}
				value={previewContext.person ?? null}
				onPick={(email) => set({ as: "members", person: email ?? undefined })}
			/>
		</Word>
	);
}

function aboutWords({ about, words }: PreviewContext): string {
	if (about?.term) {
		return `the page of ${about.term.split("/")[1]}`;
	}
	if (about?.item) {
		return "an item’s page";
	}
	return about?.month ? `the page of ${about.month}` : words ? `a search for “${words}”` : "a plain page";
}

/** What the page is about, for rules that take their value from it. */
function About({ bench, set }: { bench: Bench; set: (next: Partial<PreviewContext>) => void }) {
	const { types, taxonomies, people } = useStart();
	const { previewContext } = bench;
	const about = previewContext.about ?? {};
	const [type, setType] = useState(types[0]?.key ?? "");
	const put = (next: Partial<NonNullable<PreviewContext["about"]>>) => {
		const all = Object.fromEntries(
			Object.entries({ ...about, ...next }).filter(([, value]) => value !== undefined && value !== ""),
		);
		set({ about: Object.keys(all).length === 0 ? undefined : all });
	};
	return (
		<div className="grid gap-2.5">
			<p className="text-quiet text-[0.8rem]">Rules that take a value from the page take it from this one here.</p>
			<div className="grid gap-1">
				<span className="text-[0.78rem] text-quiet">A term</span>
				<PickByTyping
					label="A term"
					placeholder="none"
					options={taxonomies.flatMap((one) =>
						one.terms.map((term) => ({ key: `${one.key}/${term.slug}`, label: term.name, beside: one.label })),
					)}
					value={about.term ?? null}
					onPick={(term) => put({ term: term ?? "" })}
				/>
			</div>
			<div className="grid gap-1">
				<span className="text-[0.78rem] text-quiet">An item</span>
				<div className="flex gap-2">
					<select
						className="select select-sm w-28"
						aria-label="Its type"
						value={type}
						onChange={(event) => setType(event.target.value)}
					>
						{types.map((one) => (
							<option key={one.key} value={one.key}>
								{one.label}
							</option>
						))}
					</select>
					<div className="grow min-w-0">
						<PickItem
							label="Find the item"
							type={type}
							value={about.item === undefined ? null : String(about.item)}
							keyOf={(item) => String(item.id)}
							onPick={(id) => put({ item: id === null ? undefined : Number(id) })}
						/>
					</div>
				</div>
			</div>
			<label className="grid gap-1">
				<span className="text-[0.78rem] text-quiet">A month</span>
				<input
					type="month"
					className="input input-sm"
					value={about.month ?? ""}
					onChange={(event) => put({ month: event.target.value })}
				/>
			</label>
			<div className="grid gap-1">
				<span className="text-[0.78rem] text-quiet">A person</span>
				<PickByTyping
					label="A person"
					placeholder="none"
					options={people.map((one) => ({ key: one.email, label: one.name }))}
					value={about.person ?? null}
					onPick={(email) => put({ person: email ?? "" })}
				/>
			</div>
			<label className="grid gap-1">
				<span className="text-[0.78rem] text-quiet">Words a visitor looks for</span>
				<input
					type="search"
					className="input input-sm"
					value={previewContext.words ?? ""}
					onChange={(event) => set({ words: event.target.value })}
				/>
			</label>
		</div>
	);
}
