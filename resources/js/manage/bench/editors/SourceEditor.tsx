import { useMutation } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { send } from "../../shared/api/api";
import type { Definition, Source } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { Notice } from "../../shared/Notice";
import type { Bench } from "../useBench";
import { OneItem } from "./OneItem";
import { PagesOfSite } from "./PagesOfSite";

type Kind = "items" | "terms" | "people" | "months" | "years" | "pageItem" | "pageTerm" | "one" | "pages";

const KINDS: [Kind, string][] = [
	["items", "Items"],
	["terms", "Terms"],
	["people", "People"],
	["months", "Months"],
	["years", "Years"],
	["pages", "Pages"],
	["pageItem", "The page’s item"],
	["pageTerm", "The page’s term"],
	["one", "One item by hand"],
];

function kindOf(source: Source): Kind {
	if (source.page) {
		return source.page === "item" ? "pageItem" : "pageTerm";
	}
	return (KINDS.find(([kind]) => kind in source)?.[0] ?? "items") as Kind;
}

/**
 * What the module draws from. Where the records have other fields, the rules that name them go; undo brings them
 * back.
 */
export function SourceEditor({ bench }: { bench: Bench }) {
	const { types, taxonomies, groups } = useStart();
	const { definition, change } = bench;
	const source = definition.source;
	const kind = kindOf(source);
	const first = types[0]?.key ?? "";
	const tree = taxonomies.find((one) => one.key === source.terms);

	/** The same records in another choice: rules that no longer fit are marked where they stand. */
	const narrow = (next: Source) => change({ ...definition, source: next });
	/** Other records: the server says which rules fit them. */
	const other = useMutation({
		mutationFn: async (next: Source) => {
			for (;;) {
				const of = newest.current;
				const answer = await send<{ definition: Definition }>("POST", "/bench/source", {
					definition: of,
					source: next,
				});
				if (newest.current === of) {
					return answer.definition;
				}
			}
		},
		onSuccess: (next) => change(next),
	});
	const newest = useRef(definition);
	newest.current = definition;
	const pick = other.mutate;
	const drawn = source.items ?? source.months ?? source.years;
	const begin = (next: Kind) => {
		const starts: Record<Kind, Source> = {
			items: { items: [drawn?.[0] ?? source.type ?? first] },
			terms: { terms: taxonomies[0]?.key ?? "" },
			people: { people: { groups: [] } },
			months: { months: [drawn?.[0] ?? source.type ?? first], by: "publish_at" },
			years: { years: [drawn?.[0] ?? source.type ?? first], by: "publish_at" },
			pageItem: { page: "item" },
			pageTerm: { page: "term" },
			one: { one: "", type: drawn?.[0] ?? source.type ?? first },
			pages: { pages: {} },
		};
		pick(starts[next]);
	};
	const toggle = (list: string[], one: string) =>
		list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
	const [several, setSeveral] = useState((drawn?.length ?? 0) > 1);
	const of = source.months ? "months" : source.years ? "years" : "items";
	const dates = types
		.filter((one) => drawn?.includes(one.key))
		.flatMap((one) => one.fields)
		.filter((one) => one.family === "date" || one.family === "instant");

	return (
		<div className="grid gap-2.5">
			<fieldset className="flex flex-wrap gap-1.5">
				<legend className="sr-only">What it draws from</legend>
				{KINDS.map(([one, words]) => (
					<button
						key={one}
						type="button"
						className="chip"
						aria-pressed={one === kind}
						onClick={() => one !== kind && begin(one)}
					>
						{words}
					</button>
				))}
			</fieldset>
			{drawn && (
				<fieldset className="flex flex-wrap gap-1.5">
					<legend className="sr-only">Types</legend>
					{types.map((type) => (
						<button
							key={type.key}
							type="button"
							className="chip"
							aria-pressed={drawn.includes(type.key)}
							onClick={() => {
								if (several) {
									const next = toggle(drawn, type.key);
									next.length > 0 && narrow({ ...source, [of]: next });
								} else if (!drawn.includes(type.key)) {
									pick({ ...source, [of]: [type.key], ...(source.by ? { by: "publish_at" } : {}) });
								}
							}}
						>
							{type.plural}
						</button>
					))}
					<label className="flex items-center gap-2 basis-full text-sm">
						<input
							type="checkbox"
							className="toggle toggle-sm"
							checked={several}
							disabled={drawn.length > 1}
							onChange={(event) => setSeveral(event.target.checked)}
						/>
						several types together, with the fields they share
					</label>
				</fieldset>
			)}
			{(source.months ?? source.years) && (
				<label className="flex items-center gap-2">
					by
					<select
						className="select select-sm w-auto"
						value={source.by}
						onChange={(event) => narrow({ ...source, by: event.target.value })}
					>
						{[...new Map(dates.map((one) => [one.key, one.label]))].map(([key, label]) => (
							<option key={key} value={key}>
								{label}
							</option>
						))}
					</select>
				</label>
			)}
			{(source.terms !== undefined || source.page === "term") && (
				<fieldset className="flex flex-wrap gap-1.5">
					<legend className="sr-only">Taxonomy</legend>
					{source.page && (
						<button
							type="button"
							className="chip"
							aria-pressed={source.of === undefined}
							onClick={() => pick({ page: "term" })}
						>
							any, with the fields that all terms have
						</button>
					)}
					{taxonomies.map((one) => (
						<button
							key={one.key}
							type="button"
							className="chip"
							aria-pressed={one.key === (source.terms ?? source.of)}
							onClick={() => pick(source.page ? { page: "term", of: one.key } : { terms: one.key })}
						>
							{one.label}
						</button>
					))}
				</fieldset>
			)}
			{tree && (
				<div className="flex flex-wrap items-center gap-4">
					{tree.tree && (
						<div className="flex items-center gap-2">
							below
							<div className="w-44">
								<PickByTyping
									label="Below which term"
									placeholder="any, the whole tree"
									options={tree.terms.map((one) => ({ key: one.slug, label: one.name }))}
									value={source.under ?? null}
									onPick={(under) => {
										const { under: _, ...rest } = source;
										narrow(under === null ? rest : { ...rest, under });
									}}
								/>
							</div>
						</div>
					)}
					<label className="flex items-center gap-2">
						<input
							type="checkbox"
							className="toggle toggle-sm"
							checked={source.used ?? false}
							onChange={(event) => {
								const { used: _, ...rest } = source;
								narrow(event.target.checked ? { ...rest, used: true } : rest);
							}}
						/>
						only those in use
					</label>
				</div>
			)}
			{source.terms !== undefined && (
				<fieldset className="flex flex-wrap gap-1.5">
					<legend className="text-xs text-quiet mb-1">
						Count items of these types. If none is chosen, publishing takes the types that the term’s page lists.
					</legend>
					{types.map((one) => {
						const counted = source.counting ?? [];
						const isCounted = counted.includes(one.key);
						return (
							<button
								key={one.key}
								type="button"
								className="chip"
								aria-pressed={isCounted}
								onClick={() => {
									const { counting: _, ...rest } = source;
									const next = isCounted ? counted.filter((key) => key !== one.key) : [...counted, one.key];
									narrow(next.length === 0 ? rest : { ...rest, counting: next });
								}}
							>
								{one.plural}
							</button>
						);
					})}
				</fieldset>
			)}
			{source.pages && <PagesOfSite of={source.pages} onChange={(pages) => narrow({ ...source, pages })} />}
			{source.people && (
				<fieldset className="flex flex-wrap gap-1.5">
					<legend className="text-xs text-quiet mb-1">of these groups; of none chosen, everybody</legend>
					{groups.map((one) => (
						<button
							key={one.key}
							type="button"
							className="chip"
							aria-pressed={source.people?.groups.includes(one.key)}
							onClick={() => narrow({ people: { groups: toggle(source.people?.groups ?? [], one.key) } })}
						>
							{one.name}
						</button>
					))}
					{groups.length === 0 && <span className="text-quiet">There are no groups yet.</span>}
				</fieldset>
			)}
			{source.page === "item" && (
				<label className="flex items-center gap-2">
					of the type
					<select
						className="select select-sm w-auto"
						value={source.type ?? ""}
						onChange={(event) =>
							pick(event.target.value === "" ? { page: "item" } : { page: "item", type: event.target.value })
						}
					>
						<option value="">any, with the fields that all share</option>
						{types.map((one) => (
							<option key={one.key} value={one.key}>
								{one.label}
							</option>
						))}
					</select>
				</label>
			)}
			{source.one !== undefined && <OneItem source={source} onNarrow={narrow} onPick={pick} />}
			{other.error && <Notice>{other.error.message}</Notice>}
			<p className="text-quiet text-xs">
				Records of another kind have other fields. Rules that do not fit them are removed. Undo brings them back.
			</p>
		</div>
	);
}
