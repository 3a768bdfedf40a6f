import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { post } from "../../shared/api/api";
import type { PageAbout, PageFile, Start } from "../../shared/api/schema";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { useSettled } from "../../shared/useSettled";

/** The records that the page serves: all, a branch of terms, or some. */
export function AboutControl({
	definition,
	about,
	onChange,
	taxonomies,
}: {
	definition: PageFile;
	about: PageAbout;
	onChange: (about: PageAbout) => void;
	taxonomies: Start["taxonomies"];
}) {
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const { under, only, ...all } = about;
	const found = useQuery({
		queryKey: ["subjects", all, sought],
		queryFn: ({ signal }) =>
			post("/pages/subjects", { body: { definition: { ...definition, about: all }, q: sought }, signal }),
		enabled: sought !== "",
	});
	const terms = taxonomies.find((one) => one.key === about.term)?.terms;
	const named = (slug: string) => terms?.find((one) => one.slug === slug)?.name ?? slug;
	return (
		<>
			<p className="text-quiet text-sm">
				A page for some goes before the one for all of the same address; the nearest branch before one further up.
			</p>
			{terms && (
				<div className="grid gap-1">
					<span className="font-semibold">A branch of terms</span>
					<PickByTyping
						label="A branch of terms"
						placeholder="all of them"
						options={terms.map((one) => ({ key: one.slug, label: one.name }))}
						value={under ?? null}
						onPick={(slug) => onChange(slug === null ? all : { ...all, under: slug })}
					/>
				</div>
			)}
			<div className="grid gap-1">
				<span className="font-semibold">Or these alone</span>
				<div className="flex flex-wrap gap-1.5">
					{(only ?? []).map((slug) => (
						<button
							key={slug}
							type="button"
							className="chip"
							aria-label={`Not for ${named(slug)}`}
							onClick={() => {
								const rest = (only ?? []).filter((one) => one !== slug);
								onChange(rest.length === 0 ? all : { ...all, only: rest });
							}}
						>
							{named(slug)} ✕
						</button>
					))}
				</div>
				<PickByTyping
					label="One more"
					placeholder="find by name"
					options={found.data?.map((one) => ({ key: one.slug, label: one.title }))}
					value={null}
					onWords={setWords}
					onPick={(slug) => slug !== null && onChange({ ...all, only: [...new Set([...(only ?? []), slug])] })}
				/>
			</div>
		</>
	);
}
