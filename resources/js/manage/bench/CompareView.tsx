import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { get, post } from "../shared/api/api";
import type { Compared, Version } from "../shared/api/schema";
import { moment, useStart } from "../shared/api/start";
import { Fault } from "../shared/Fault";
import type { Bench } from "./useBench";

const MARKS = { comes: "comes", moves: "moves", otherPage: "from another page", stays: "" } as const;

/** Two versions of a module: null means the draft, and on the other side the live version. */
export interface Pair {
	version: number | null;
	against: number | null;
}

/**
 * The records that visitors would see appear, disappear and move if the draft were published; or any two versions side
 * by side.
 */
export function CompareView({ bench, pair, onPair }: { bench: Bench; pair: Pair; onPair: (next: Pair) => void }) {
	const { version, against } = pair;
	const view = useRef<HTMLDivElement>(null);
	const key = bench.definition.key;
	const versions = useQuery({
		queryKey: ["versions", key],
		queryFn: ({ signal }) => get("/modules/{key}/versions", { params: { path: { key } }, signal }),
	});
	const compared = useQuery({
		queryKey: ["compare", bench.definition, bench.previewContext, version, against, versions.data?.[0]?.number],
		queryFn: ({ signal }) =>
			post("/bench/compare", {
				body: { ...bench.previewContext, definition: bench.definition, version, against },
				signal,
			}),
		placeholderData: keepPreviousData,
	});
	const bringBack = async (version: number) => {
		const { definition } = await get("/modules/{key}/versions/{number}", {
			params: { path: { key, number: version } },
		});
		bench.change({ ...definition, key });
		// The button disappears with its choice, so the focus moves on.
		view.current?.querySelector("select")?.focus();
		onPair({ version: null, against: null });
	};
	const data = compared.data;
	return (
		<div ref={view} className="flex-1 min-h-0 overflow-y-auto bg-base-100 px-5 py-4 grid gap-5 content-start">
			<div className="flex flex-wrap items-end gap-3">
				<Choice
					label="What would be seen with"
					none="the draft"
					value={version}
					versions={versions.data ?? []}
					onChange={(next) => onPair({ ...pair, version: next })}
				/>
				<Choice
					label="beside"
					none="what is live"
					value={against}
					versions={versions.data ?? []}
					onChange={(next) => onPair({ ...pair, against: next })}
				/>
				{[...new Set([version, against])].map(
					(one) =>
						one !== null && (
							<button key={one} type="button" className="btn btn-sm" onClick={() => bringBack(one)}>
								Bring version {one} back as the draft
							</button>
						),
				)}
				{versions.data?.length === 0 && <span className="text-quiet">Nothing was published yet.</span>}
			</div>
			{compared.error && <Fault error={compared.error} onRetry={compared.refetch} />}
			{data && !data.compared && <p>Nothing of this module is live: all {data.after} records would come.</p>}
			{data?.compared && (
				<>
					<p className="text-lg" aria-live="polite">
						<Said data={data} />
					</p>
					{data.said.length > 0 && (
						<section className="grid gap-1.5">
							<h3 className="font-serif text-lg font-semibold">Rules that differ</h3>
							<dl className="grid gap-1.5">
								{data.said.map((one) => (
									<div
										key={one.lead + one.after + one.before}
										className="grid sm:grid-cols-[9rem_1fr] gap-x-4 border-b border-base-300 pb-1.5"
									>
										<dt className="text-quiet">
											{one.lead}
											{one.looks && <span className="block text-xs">looks</span>}
										</dt>
										<dd>
											{one.before !== "" && <del className="text-quiet block">{one.before}</del>}
											{one.after === "" ? (
												<span className="text-quiet">nothing any more</span>
											) : (
												<ins className="no-underline font-semibold">{one.after}</ins>
											)}
										</dd>
									</div>
								))}
							</dl>
						</section>
					)}
					{data.goes.length > 0 && (
						<section>
							<h3 className="font-serif text-lg font-semibold">Goes</h3>
							<ul className="columns-1 sm:columns-2">
								{data.goes.slice(0, 100).map((one) => (
									<li key={one.key}>
										<span className="text-secondary">−</span> {one.title}{" "}
										<span className="text-quiet">was at {one.was}</span>
									</li>
								))}
							</ul>
							{data.goes.length > 100 && <p className="text-quiet">and {data.goes.length - 100} more</p>}
						</section>
					)}
					{data.pages
						.filter((page) => page.rows.some((row) => row.what !== "stays"))
						.slice(0, 30)
						.map((page) => (
							<section key={page.page}>
								<h3 className="font-serif text-lg font-semibold">Page {page.page}</h3>
								<ol>
									{page.rows.map((row) => (
										<li
											key={row.key}
											className={`flex gap-3 px-2 py-0.5
												${row.what === "comes" ? "bg-accent" : row.what === "moves" ? "bg-warning/60" : ""}`}
										>
											<span className="w-8 text-right text-quiet">{row.place}</span>
											<span className="flex-1">{row.title}</span>
											<span className="text-xs text-quiet">
												{MARKS[row.what]}
												{row.was !== null &&
													row.what !== "stays" &&
													`, was at ${row.was}${row.wasOn === page.page ? "" : ` on page ${row.wasOn}`}`}
											</span>
										</li>
									))}
								</ol>
							</section>
						))}
				</>
			)}
		</div>
	);
}

function Choice({
	label,
	none,
	value,
	versions,
	onChange,
}: {
	label: string;
	none: string;
	value: number | null;
	versions: Version[];
	onChange: (next: number | null) => void;
}) {
	const start = useStart();
	return (
		<label className="grid gap-1">
			<span className="text-xs text-quiet">{label}</span>
			<select
				className="select select-sm w-auto"
				value={value ?? ""}
				onChange={(event) => onChange(event.target.value === "" ? null : Number(event.target.value))}
			>
				<option value="">{none}</option>
				{versions.map((one) => (
					<option key={one.number} value={one.number}>
						version {one.number}, {moment(start, one.publishedAt)}
						{one.by ? `, ${one.by}` : ""}
					</option>
				))}
			</select>
		</label>
	);
}

function Said({ data }: { data: Compared }) {
	if (data.comes + data.goes.length + data.moves + data.otherPage === 0) {
		return (
			<>
				The same {data.after} records in the same places
				{data.said.length > 0 ? "; only what is said or how it looks differs" : ""}.
			</>
		);
	}
	const parts = [
		data.comes > 0 && `${data.comes} ${data.comes === 1 ? "comes" : "come"}`,
		data.goes.length > 0 && `${data.goes.length} ${data.goes.length === 1 ? "goes" : "go"}`,
		data.moves > 0 && `${data.moves} ${data.moves === 1 ? "moves" : "move"} past the others`,
		data.otherPage > 0 && `${data.otherPage} ${data.otherPage === 1 ? "stands" : "stand"} on another page`,
	].filter(Boolean);
	return (
		<>
			<strong>{parts.join(", ")}.</strong>{" "}
			<span className="text-quiet">
				{data.before} records now, {data.after} then.
				{Math.max(data.before, data.after) > data.most && ` The first ${data.most} are compared.`}
			</span>
		</>
	);
}
