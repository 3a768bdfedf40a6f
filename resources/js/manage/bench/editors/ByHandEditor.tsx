import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { get, post } from "../../shared/api/api";
import type { Definition } from "../../shared/api/schema";
import { RowTools } from "../../shared/controls/inputs";
import { moved } from "../../shared/controls/lists";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { useSettled } from "../../shared/useSettled";
import { withAt } from "../definition";
import { useSource } from "../source";
import type { Bench } from "../useBench";

/** The records that are pinned to the top or left out by hand. */
export function ByHandEditor({ bench }: { bench: Bench }) {
	return (
		<div className="grid gap-4">
			<Slugs bench={bench} place="pin" title="Pinned to the top" action="Pin" ordered />
			<Slugs bench={bench} place="leaveOut" title="Left out" action="Leave out" />
		</div>
	);
}

interface Named {
	id: number;
	slug: string;
	title: string;
}

/** Items of several types, by title or by slug. */
async function ofTypes(
	types: string[],
	asked: { slugs: string } | { sort: string; direction: "asc"; q: string },
	signal: AbortSignal,
): Promise<Named[]> {
	const pages = await Promise.all(
		types.map((type) => get("/items", { params: { query: { type, ...asked } }, signal })),
	);
	return pages.flatMap((page) =>
		page.items.map((item) => ({ id: item.id, slug: String(item.values.slug), title: item.title })),
	);
}

/** For records other than items: those that the module shows. */
async function fromResults(definition: Definition, words: string, signal: AbortSignal): Promise<Named[]> {
	const { pin: _, leaveOut: __, ...rest } = definition;
	const shown = await post("/bench/results", { body: { definition: rest, fields: [] }, signal });
	return shown.rows.filter((row) => row.title.toLowerCase().includes(words.trim().toLowerCase()));
}

function Slugs({
	bench,
	place,
	title,
	action,
	ordered = false,
}: {
	bench: Bench;
	place: "pin" | "leaveOut";
	title: string;
	action: string;
	ordered?: boolean;
}) {
	const { definition, change } = bench;
	const source = useSource();
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const slugs = definition[place] ?? [];
	const set = (next: string[]) => change(withAt(definition, place, next.length === 0 ? undefined : next));

	const known = useQuery({
		queryKey: ["titles", source.types, slugs],
		queryFn: ({ signal }) => ofTypes(source.types, { slugs: slugs.join(",") }, signal),
		enabled: slugs.length > 0 && source.isItems,
		placeholderData: keepPreviousData,
	});
	const found = useQuery({
		queryKey: ["find by hand", source.types, sought, bench.definition],
		queryFn: ({ signal }) =>
			source.isItems
				? ofTypes(source.types, { sort: "title", direction: "asc", q: sought }, signal)
				: fromResults(bench.definition, sought, signal),
		enabled: sought.trim() !== "",
		placeholderData: keepPreviousData,
	});
	const titleOf = (slug: string) => known.data?.find((one) => one.slug === slug)?.title ?? slug;

	return (
		<section className="grid gap-1.5" aria-label={title}>
			<h3 className="text-xs text-quiet">{title}</h3>
			{slugs.length > 0 && (
				<ul>
					{slugs.map((slug, i) => (
						<li key={slug} className="flex items-center gap-2">
							<span className="flex-1 font-semibold">{titleOf(slug)}</span>
							{ordered ? (
								<RowTools
									what={titleOf(slug)}
									index={i}
									count={slugs.length}
									onMove={(to) => set(moved(slugs, i, to))}
									onRemove={() => set(slugs.filter((one) => one !== slug))}
								/>
							) : (
								<button
									type="button"
									className="btn btn-ghost btn-xs"
									aria-label={`No longer leave out ${titleOf(slug)}`}
									onClick={() => set(slugs.filter((one) => one !== slug))}
								>
									✕
								</button>
							)}
						</li>
					))}
				</ul>
			)}
			<div className="max-w-64">
				<PickByTyping
					label={`${action}: find by title`}
					placeholder={`${action}… type a title`}
					options={found.data
						?.filter((one) => !slugs.includes(one.slug))
						.map((one) => ({ key: one.slug, label: one.title }))}
					value={null}
					onWords={setWords}
					onPick={(slug) => slug !== null && set([...slugs, slug])}
				/>
			</div>
		</section>
	);
}
