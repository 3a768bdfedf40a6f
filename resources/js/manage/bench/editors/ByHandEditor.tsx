import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { get } from "../../shared/api";
import { useType } from "../../shared/start";
import type { ItemPage } from "../../shared/types";
import { moved, withAt } from "../definition";
import type { Bench } from "../useBench";
import { RowTools } from "./inputs";

/** What is put at the top or taken out by hand. */
export function ByHandEditor({ bench }: { bench: Bench }) {
	return (
		<div className="grid gap-4">
			<Slugs bench={bench} place="pin" title="Pinned to the top" action="Pin" ordered />
			<Slugs bench={bench} place="leaveOut" title="Left out" action="Leave out" />
		</div>
	);
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
	const type = useType(definition.source.items[0]);
	const [words, setWords] = useState("");
	const slugs = definition[place] ?? [];
	const set = (next: string[]) => change(withAt(definition, place, next.length === 0 ? undefined : next));

	const known = useQuery({
		queryKey: ["titles", type.key, slugs],
		queryFn: () => get<ItemPage>(`/items?type=${type.key}&slugs=${slugs.map(encodeURIComponent).join(",")}`),
		enabled: slugs.length > 0,
		placeholderData: keepPreviousData,
	});
	const found = useQuery({
		queryKey: ["find", type.key, words],
		queryFn: () => get<ItemPage>(`/items?type=${type.key}&sort=title&direction=asc&q=${encodeURIComponent(words)}`),
		enabled: words.trim() !== "",
		placeholderData: keepPreviousData,
	});
	const titleOf = (slug: string) => known.data?.items.find((item) => item.values.slug === slug)?.title ?? slug;
	const offered = (found.data?.items ?? []).filter((item) => !slugs.includes(String(item.values.slug))).slice(0, 6);

	return (
		<section className="grid gap-1.5" aria-label={title}>
			<h3 className="text-[0.78rem] text-quiet">{title}</h3>
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
			<input
				type="search"
				className="input input-sm w-full max-w-64"
				aria-label={`${action}: find by title`}
				placeholder={`${action}… type a title`}
				value={words}
				onChange={(event) => setWords(event.target.value)}
			/>
			{words.trim() !== "" && (
				<ul className="border border-base-300 rounded-field divide-y divide-base-300">
					{offered.map((item) => (
						<li key={item.id}>
							<button
								type="button"
								className="w-full text-left px-2 py-1 hover:bg-accent cursor-pointer"
								onClick={() => {
									set([...slugs, String(item.values.slug)]);
									setWords("");
								}}
							>
								{item.title}
							</button>
						</li>
					))}
					{found.data && offered.length === 0 && <li className="px-2 py-1 text-quiet">Nothing by that title.</li>}
				</ul>
			)}
		</section>
	);
}
