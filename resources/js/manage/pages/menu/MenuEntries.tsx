import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { get } from "../../shared/api/api";
import type { MenuEntry, ModuleSummary, PageSummary } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { PickItem } from "../../shared/fields/PickItem";
import { moduleOptions } from "../../shared/toldApart";
import { Word } from "../../shared/Word";
import { below, indent, move, outdent, type Path, remove, set } from "./menuEdits";

/** The entries of a menu as a list of words, each of which opens in place, those below moved in. */
export function MenuEntries({
	entries,
	label,
	onChange,
}: {
	entries: MenuEntry[];
	label: string;
	onChange: (entries: MenuEntry[], tag?: string) => void;
}) {
	return (
		<section aria-label={label} className="rounded-box border border-base-300 bg-base-100 p-2.5 grid gap-1.5">
			<Level entries={entries} all={entries} path={[]} onChange={onChange} />
			<div className="text-sm">
				<Word words="+ an entry" label="Add an entry">
					<Target onPick={(entry) => onChange([...entries, entry])} />
				</Word>
			</div>
		</section>
	);
}

function Level({
	entries,
	all,
	path,
	onChange,
}: {
	entries: MenuEntry[];
	all: MenuEntry[];
	path: Path;
	onChange: (entries: MenuEntry[], tag?: string) => void;
}) {
	const name = useNames();
	return (
		<ol className={`grid gap-1.5 ${path.length > 0 ? "pl-5" : ""}`}>
			{entries.map((entry, i) => {
				const at = [...path, i];
				const words = entry.label ?? name(entry);
				return (
					<li key={i.toString()} className="grid gap-1.5">
						<div
							className={`border border-base-300 border-l-3 rounded-field px-2 py-1 text-sm
								${entry.module ? "border-l-primary" : "border-l-[#b9b4a4]"}`}
						>
							<Word words={words} label={words}>
								<EntryEditor
									entry={entry}
									onChange={(next, tag) => onChange(set(all, at, next), tag && `${tag} ${at.join()}`)}
								/>
								<div className="flex flex-wrap gap-1.5">
									<button
										type="button"
										className="btn btn-sm"
										disabled={i === 0}
										onClick={() => onChange(move(all, at, -1))}
									>
										Earlier
									</button>
									<button
										type="button"
										className="btn btn-sm"
										disabled={i === entries.length - 1}
										onClick={() => onChange(move(all, at, 1))}
									>
										Later
									</button>
									<button
										type="button"
										className="btn btn-sm"
										disabled={i === 0 || entries[i - 1]?.module !== undefined}
										onClick={() => onChange(indent(all, at))}
									>
										Move below the one before
									</button>
									<button
										type="button"
										className="btn btn-sm"
										disabled={path.length === 0}
										onClick={() => onChange(outdent(all, at))}
									>
										Move up a level
									</button>
									<button type="button" className="btn btn-sm" onClick={() => onChange(remove(all, at))}>
										Remove
									</button>
								</div>
							</Word>
							<span className="ml-1.5 text-quiet text-xs">{said(entry)}</span>
						</div>
						{below(entry).length > 0 && <Level entries={below(entry)} all={all} path={at} onChange={onChange} />}
					</li>
				);
			})}
		</ol>
	);
}

function EntryEditor({ entry, onChange }: { entry: MenuEntry; onChange: (next: MenuEntry, tag?: string) => void }) {
	const text = (key: "label" | "link", title: string, required: boolean) => (
		<label className="grid gap-1">
			<span className="font-semibold">{title}</span>
			<input
				className="input input-sm"
				defaultValue={entry[key] ?? ""}
				onBlur={(event) => {
					const value = event.target.value.trim();
					const { [key]: _, ...rest } = entry;
					if (value !== (entry[key] ?? "") && !(required && value === "")) {
						onChange(value === "" ? rest : { ...rest, [key]: value });
					}
				}}
				onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
			/>
		</label>
	);
	return (
		<>
			{entry.module === undefined && text("label", "Called", entry.link !== undefined)}
			{entry.link !== undefined && text("link", "Leads to", true)}
			<AudienceControl value={entry.audience} onChange={(audience) => onChange({ ...entry, audience })} />
		</>
	);
}

/** What a new entry leads to. */
function Target({ onPick }: { onPick: (entry: MenuEntry) => void }) {
	const { taxonomies, types } = useStart();
	const pages = usePages();
	const modules = useModules();
	const [type, setType] = useState(types[0]?.key ?? "");
	const [link, setLink] = useState("");
	const [label, setLabel] = useState("");
	const pick = (
		title: string,
		options: { key: string; label: string }[] | undefined,
		to: (key: string) => MenuEntry,
	) => (
		<div className="grid gap-1">
			<span className="font-semibold">{title}</span>
			<PickByTyping
				label={title}
				placeholder="find by name"
				options={options}
				value={null}
				onPick={(key) => key !== null && onPick(to(key))}
			/>
		</div>
	);
	const pair = (key: string): [string, string] => {
		const [of = "", slug = ""] = key.split("/");
		return [of, slug];
	};
	return (
		<>
			{pick(
				"A page",
				pages.data
					?.filter((one) => !one.address.includes("{"))
					.map((one) => ({ key: one.key, label: one.title, beside: one.address })),
				(page) => ({ page }),
			)}
			{pick(
				"A term",
				taxonomies.flatMap((one) =>
					one.terms.map((term) => ({ key: `${one.key}/${term.slug}`, label: term.name, beside: one.label })),
				),
				(key) => ({ term: pair(key) }),
			)}
			<div className="grid gap-1">
				<span className="font-semibold">An item</span>
				<select
					className="select select-sm"
					aria-label="Of which type"
					value={type}
					onChange={(event) => setType(event.target.value)}
				>
					{types.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
				</select>
				<PickItem
					label="An item"
					type={type}
					value={null}
					keyOf={(item) => String(item.values.slug)}
					onPick={(slug) => slug !== null && onPick({ item: [type, slug] })}
				/>
			</div>
			{pick("All records of a module", modules.data && moduleOptions(modules.data), (module) => ({ module }))}
			<form
				className="grid gap-1"
				onSubmit={(event) => {
					event.preventDefault();
					onPick({ link: link.trim(), label: label.trim() });
				}}
			>
				<span className="font-semibold">Or an address</span>
				<input
					className="input input-sm"
					aria-label="Address"
					placeholder="/garden or https://example.org"
					value={link}
					onChange={(event) => setLink(event.target.value)}
				/>
				<input
					className="input input-sm"
					aria-label="Called"
					placeholder="what it is called"
					value={label}
					onChange={(event) => setLabel(event.target.value)}
				/>
				<button
					type="submit"
					className="btn btn-sm justify-self-start"
					disabled={link.trim() === "" || label.trim() === ""}
				>
					Add the address
				</button>
			</form>
		</>
	);
}

function usePages() {
	return useQuery({ queryKey: ["pages"], queryFn: ({ signal }) => get<PageSummary[]>("/pages", signal) });
}

function useModules() {
	return useQuery({ queryKey: ["modules"], queryFn: ({ signal }) => get<ModuleSummary[]>("/modules", signal) });
}

/** What an entry is called that says no label of its own. */
function useNames(): (entry: MenuEntry) => string {
	const { taxonomies } = useStart();
	const pages = usePages();
	const modules = useModules();
	return (entry) => {
		const [of, slug] = entry.term ?? entry.item ?? [];
		const term = taxonomies.find((one) => one.key === of)?.terms.find((one) => one.slug === slug);
		return (
			pages.data?.find((one) => one.key === entry.page)?.title ??
			modules.data?.find((one) => one.key === entry.module)?.name ??
			(entry.term && term?.name) ??
			slug ??
			entry.link ??
			""
		);
	};
}

function said(entry: MenuEntry): string {
	const kind = entry.link ?? (entry.term ? "a term" : entry.item ? "an item" : entry.module ? "a module" : "a page");
	const audience = entry.audience?.filter((one) => one !== "everyone") ?? [];
	return [kind, ...(audience.length > 0 ? [`for ${audience.join(", ")}`] : [])].join(" · ");
}
