import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { get } from "../shared/api/api";
import type { Grid as GridData, PreviewContext } from "../shared/api/schema";
import { SeenBy } from "../shared/controls/SeenBy";
import { Opening } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { useTitle } from "../shared/shell/useTitle";
import { usePlacing } from "../shared/usePlacing";
import { useSettled } from "../shared/useSettled";

/** The grid of modules against pages. A click adds a module to a page's draft, or removes it. */
export function Grid() {
	const [words, setWords] = useState("");
	const [pageWords, setPageWords] = useState("");
	const [context, setContext] = useState<PreviewContext>({});
	const sought = useSettled(JSON.stringify([words, pageWords]), 200);
	const grid = useQuery({
		queryKey: ["pages", "grid", sought, context],
		queryFn: ({ signal }) => {
			const [modules, pages] = JSON.parse(sought) as [string, string];
			return get("/pages/grid", {
				params: { query: { modules, pages, as: context.as, person: context.person } },
				signal,
			});
		},
		placeholderData: keepPreviousData,
	});
	const place = usePlacing();
	useTitle("Pages");
	if (!grid.data) {
		return <Opening queries={[grid]} />;
	}
	const { pages, modules, more } = grid.data;
	return (
		<section aria-labelledby="grid" className="p-4 md:p-6 grid gap-3 content-start min-w-0 overflow-auto scroll-edge">
			<h2 id="grid" className="font-serif text-xl font-semibold">
				What shows where
			</h2>
			<div className="flex flex-wrap gap-2">
				<input
					type="search"
					className="input input-sm w-52"
					aria-label="Find modules"
					placeholder="Find modules"
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
				<input
					type="search"
					className="input input-sm w-52"
					aria-label="Find pages"
					placeholder="Find pages"
					value={pageWords}
					onChange={(event) => setPageWords(event.target.value)}
				/>
				<span className="flex items-center gap-1.5">
					<span className="text-quiet">for</span>
					<SeenBy previewContext={context} set={(next) => setContext((now) => ({ ...now, ...next }))} />
				</span>
			</div>
			{place.error && <Notice>{place.error.message}</Notice>}
			<table className="border-collapse justify-self-start">
				<thead>
					<tr>
						<th scope="col" className="sr-only">
							Module
						</th>
						{pages.map((page) => (
							<th key={page.key} scope="col" className="h-28 w-9 align-bottom font-normal text-left">
								<Link
									to={`/pages/${page.key}`}
									title={page.address}
									className="block w-7 [writing-mode:vertical-rl] [text-orientation:sideways] rotate-180 whitespace-nowrap
										max-h-28 overflow-hidden text-sm text-quiet hover:text-base-content hover:underline"
								>
									{page.title}
								</Link>
							</th>
						))}
					</tr>
				</thead>
				<tbody>
					{modules.map((module) => (
						<Row
							key={module.key}
							module={module}
							columns={pages}
							isPending={place.isPending}
							onPlace={(page, stands) => place.mutate({ module: module.key, page, stands })}
						/>
					))}
				</tbody>
			</table>
			<p className="text-quiet text-sm flex flex-wrap items-center gap-x-4">
				<span className="flex items-center gap-1.5">
					<Mark how="own" /> on the page itself
				</span>
				<span className="flex items-center gap-1.5">
					<Mark how="own" state="added" /> added to its draft, <Mark how="own" state="removed" /> taken off its draft
				</span>
				<span className="flex items-center gap-1.5">
					<Mark how="frame" /> from the frame
				</span>
				<span className="flex items-center gap-1.5">
					<Mark how="frame" admitted={false} /> not for whom is chosen, or not now
				</span>
				{more && <span>There are more; type to narrow.</span>}
			</p>
		</section>
	);
}

function Row({
	module,
	columns,
	isPending,
	onPlace,
}: {
	module: GridData["modules"][number];
	columns: GridData["pages"];
	isPending: boolean;
	onPlace: (page: string, stands: boolean) => void;
}) {
	const marked = new Map<string, typeof module.marks>();
	for (const mark of module.marks) {
		marked.set(mark.page, [...(marked.get(mark.page) ?? []), mark]);
	}
	const own = (key: string) => marked.get(key)?.find((one) => one.how === "own");
	return (
		<tr className="border-t border-base-300">
			<th scope="row" className="text-left font-normal pr-4 py-0.5 min-w-44">
				<Link to={`/modules/${module.key}`} className="hover:underline">
					{module.name}
				</Link>
			</th>
			{columns.map((page) => {
				const mark = own(page.key);
				const stands = mark !== undefined && mark.state !== "removed";
				const said =
					marked
						.get(page.key)
						?.map((one) => (one.admitted ? one.words : `${one.words} (not shown so)`))
						.join("; ") ?? "not on it";
				return (
					<td key={page.key} className="text-center p-0">
						<button
							type="button"
							aria-pressed={stands}
							aria-label={`${module.name} on ${page.title}: ${said}`}
							title={said}
							disabled={isPending}
							className="group size-7 grid place-items-center cursor-pointer"
							onClick={() => onPlace(page.key, !stands)}
						>
							<Mark
								how={mark ? "own" : marked.has(page.key) ? "frame" : null}
								state={mark?.state ?? "live"}
								admitted={marked.get(page.key)?.some((one) => one.admitted) ?? true}
							/>
						</button>
					</td>
				);
			})}
		</tr>
	);
}

function Mark({
	how,
	state = "live",
	admitted = true,
}: {
	how: "own" | "frame" | null;
	state?: "live" | "added" | "removed";
	admitted?: boolean;
}) {
	if (how === null) {
		return <span aria-hidden="true" className="size-1 rounded-full bg-base-300 group-hover:size-3" />;
	}
	if (state !== "live") {
		return (
			<span aria-hidden="true" className="text-secondary font-bold leading-none">
				{state === "added" ? "+" : "−"}
			</span>
		);
	}
	return (
		<span
			aria-hidden="true"
			className={`size-3 rounded-full border-2 ${admitted ? "border-primary" : "border-secondary border-dotted"}
				${how === "own" && admitted ? "bg-primary" : ""}`}
		/>
	);
}
