import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useMemo, useRef } from "react";
import { post } from "../api/api";
import type { Field } from "../api/schema";
import { useStart } from "../api/start";
import { Notice } from "../Notice";
import { Word } from "../Word";
import { PickByTyping } from "./PickByTyping";

/** Maximum number of terms in the tree; with more, terms are found by typing only. */
const IN_TREE = 300;

/** The terms of an item in a taxonomy: each can be removed; others are found by typing or ticked in the tree. */
export function TermsControl({
	field,
	value,
	onChange,
}: {
	field: Field;
	value: unknown;
	onChange: (value: unknown) => void;
}) {
	const { taxonomies, user } = useStart();
	const terms = taxonomies.find((one) => one.key === field.key)?.terms ?? [];
	const chosen = useMemo(() => (Array.isArray(value) ? (value as string[]) : []), [value]);
	const paths = useMemo(() => pathsOf(terms), [terms]);
	const toggle = (slug: string) =>
		onChange(chosen.includes(slug) ? chosen.filter((one) => one !== slug) : [...chosen, slug]);
	// Several terms may be created before the next render.
	const latest = useRef(chosen);
	latest.current = chosen;
	const client = useQueryClient();
	const make = useMutation({
		mutationFn: (name: string) =>
			post("/taxonomies/{key}/terms", { params: { path: { key: field.key } }, body: { term: { name } } }),
		onSuccess: async (term) => {
			await client.invalidateQueries({ queryKey: ["start"] });
			onChange([...latest.current, term.slug]);
		},
	});
	const makeOrTake = (name: string) => {
		const there = terms.find((one) => one.name.toLowerCase() === name.toLowerCase());
		if (!there) {
			make.mutate(name);
		} else if (!chosen.includes(there.slug)) {
			toggle(there.slug);
		}
	};
	const mayMake = user.role === "manager";
	if (terms.length === 0 && !mayMake) {
		return <p className="text-quiet text-sm">There are no terms yet. A manager adds them under Terms.</p>;
	}
	return (
		<div className="flex flex-wrap items-center gap-x-2 gap-y-1.5">
			{chosen.map((slug) => (
				<span
					key={slug}
					className="inline-flex items-center gap-1 bg-accent border border-base-300 rounded-field pl-2.5 min-h-8"
				>
					{paths.get(slug) ?? slug}
					<button
						type="button"
						className="px-2 min-h-7 cursor-pointer text-quiet hover:text-base-content"
						aria-label={`Take ${paths.get(slug) ?? slug} away`}
						onClick={() => toggle(slug)}
					>
						×
					</button>
				</span>
			))}
			<div className="add-term w-40">
				<PickByTyping
					label={`Add ${field.label.toLowerCase()}`}
					placeholder="add by typing"
					options={terms
						.filter((one) => !chosen.includes(one.slug))
						.map((one) => ({ key: one.slug, label: paths.get(one.slug) ?? one.name, name: one.name }))}
					value={null}
					onPick={(slug) => slug !== null && toggle(slug)}
					make={mayMake ? { says: (words) => `Add the new term “${words}”`, do: makeOrTake } : undefined}
				/>
			</div>
			{make.isPending && <span role="status">Adding the term…</span>}
			{make.error && <Notice>{make.error.message}</Notice>}
			{terms.length > 0 && terms.length <= IN_TREE && (
				<Word words={`all ${terms.length}`} label={field.label}>
					<ul className="grid">
						{terms.map((one) => (
							<li key={one.slug} style={{ paddingLeft: `${one.depth * 1.25}rem` }}>
								<label className="flex items-center gap-2 py-0.5 cursor-pointer">
									<input
										type="checkbox"
										className="checkbox checkbox-xs"
										checked={chosen.includes(one.slug)}
										onChange={() => toggle(one.slug)}
									/>
									{one.name}
								</label>
							</li>
						))}
					</ul>
				</Word>
			)}
		</div>
	);
}

/** Each term by its slug, with the names of its parents: “Perennials › Ferns”. */
function pathsOf(terms: { slug: string; name: string; depth: number }[]): Map<string, string> {
	const above: string[] = [];
	return new Map(
		terms.map((one) => {
			above.length = one.depth;
			above.push(one.name);
			return [one.slug, above.join(" › ")];
		}),
	);
}
