import { useMutation } from "@tanstack/react-query";
import { type ComponentType, useRef } from "react";
import { post } from "../../../shared/api/api";
import type { Source } from "../../../shared/api/schema";
import { useStart } from "../../../shared/api/start";
import { Notice } from "../../../shared/Notice";
import { OptionControl } from "../../../shared/options/OptionControl";
import type { EditorProps } from "../props";
import { DrawnTypes } from "./DrawnTypes";
import { OneItem } from "./OneItem";
import { PageItem } from "./PageItem";
import { PagesOfSite } from "./PagesOfSite";
import { PageTerm } from "./PageTerm";
import { PeopleOfGroups } from "./PeopleOfGroups";
import type { SourceControlProps } from "./props";
import { TermsOfTaxonomy } from "./TermsOfTaxonomy";

/** Controls of sources that need more than plain options, by the key of their form. */
const CONTROLS: Record<string, ComponentType<SourceControlProps>> = {
	items: DrawnTypes,
	months: DrawnTypes,
	years: DrawnTypes,
	terms: TermsOfTaxonomy,
	people: PeopleOfGroups,
	pages: ({ source, onNarrow }) => (
		<PagesOfSite of={source.pages ?? {}} onChange={(pages) => onNarrow({ ...source, pages })} />
	),
	pageItem: PageItem,
	pageTerm: PageTerm,
	one: OneItem,
};

/**
 * The source of the module. If the records have other fields, rules on missing fields are removed; undo restores them.
 */
export function SourceEditor({ bench, preview }: EditorProps) {
	const { sources } = useStart();
	const { definition, change } = bench;
	const source = definition.source;
	const start = preview.source.start;
	const other = useMutation({
		mutationFn: async (asked: { source: Source } | { start: string }) => {
			for (;;) {
				const of = newest.current;
				const sent = { definition: of, ...asked };
				const answer = await post("/bench/source", { body: sent });
				if (newest.current === of) {
					return answer.definition;
				}
			}
		},
		onSuccess: (next) => change(next),
	});
	const newest = useRef(definition);
	newest.current = definition;
	const narrow = (next: Source) => change({ ...definition, source: next });
	const Controls = CONTROLS[start];
	return (
		<div className="grid gap-2.5">
			<fieldset className="flex flex-wrap gap-1.5">
				<legend className="sr-only">What it draws from</legend>
				{sources.map(({ key, label }) => (
					<button
						key={key}
						type="button"
						className="chip"
						aria-pressed={key === start}
						onClick={() => key !== start && other.mutate({ start: key })}
					>
						{label}
					</button>
				))}
			</fieldset>
			{Controls && <Controls source={source} onNarrow={narrow} onPick={(next) => other.mutate({ source: next })} />}
			{sources
				.find((one) => one.key === start)
				?.options.map((option) => (
					<OptionControl
						key={option.key}
						option={option}
						value={(source as Record<string, unknown>)[option.key]}
						onChange={(value) => narrow({ ...source, [option.key]: value ?? option.default })}
					/>
				))}
			{other.error && <Notice>{other.error.message}</Notice>}
			<p className="text-quiet text-xs">
				Records of another kind have other fields. Rules that do not fit them are removed. Undo brings them back.
			</p>
		</div>
	);
}
