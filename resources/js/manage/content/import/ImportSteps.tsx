import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import { post, upload } from "../../shared/api/api";
import type { Import, ImportOptions } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { useDone } from "../../shared/Done";
import { Notice } from "../../shared/Notice";
import { Preview, Problems } from "./Checked";
import { MatchColumns } from "./MatchColumns";
import { Readings } from "./Readings";
import { RowOptions } from "./RowOptions";

/** Matching, checking and writing of one file. */
export function ImportSteps({ row, onAgain }: { row: Import; onAgain: () => void }) {
	const { type: key = "" } = useParams();
	const { locale } = useStart().site;
	const client = useQueryClient();
	const done = useDone();
	const [options, setOptions] = useState<ImportOptions>(row.options);
	const [touched, setTouched] = useState(false);
	const set = (change: Partial<ImportOptions>) => {
		setTouched(true);
		setOptions((now) => ({ ...now, ...change }));
	};
	const keep = (now: Import) => client.setQueryData(["import", String(row.id)], now);
	const run = useMutation({
		mutationFn: (write: boolean) =>
			post("/imports/{id}/run", { params: { path: { id: row.id } }, body: { write, options } }),
		onSuccess: (now) => {
			setTouched(false);
			keep(now);
		},
	});
	const [share, setShare] = useState<number | null>(null);
	const pictures = useMutation({
		mutationFn: (file: File) => {
			const body = new FormData();
			body.set("pictures", file);
			return upload("/imports/{id}/pictures", body, setShare, { id: row.id });
		},
		onSuccess: (now) => {
			setTouched(true);
			keep(now);
		},
		onSettled: () => setShare(null),
	});
	const underWay = row.state === "checking" || row.state === "writing";
	const busy = underWay && !row.stopped;
	const { result } = row;
	const n = (value = 0) => value.toLocaleString(locale);
	const checked = row.state === "checked" && !touched && result !== null;
	const right = (result?.created ?? 0) + (result?.changed ?? 0);
	const report = useRef<HTMLElement>(null);
	const hasRun = run.isSuccess;
	useEffect(() => {
		if (checked && hasRun) {
			report.current?.scrollIntoView({ block: "start" });
		}
	}, [checked, hasRun]);

	if (row.state === "done") {
		return (
			<div className="bg-base-100 border border-base-300 rounded-box p-6 grid gap-3 justify-items-start">
				<h2 className="font-serif text-xl font-semibold">{row.name} is in</h2>
				<p>
					{n(result?.created)} made, {n(result?.changed)} changed, {n(result?.unchanged)} as they were
					{(result?.bad ?? 0) > 0 && `, ${n(result?.bad)} rows left aside`}.
				</p>
				<Problems result={result} />
				<div className="flex flex-wrap gap-3">
					<Link to={`/content/${key}`} className="btn btn-secondary" onClick={() => void client.invalidateQueries()}>
						Show the items
					</Link>
					{row.change !== null && (
						<button
							type="button"
							className="btn"
							onClick={() => done("Imported. You can undo the whole import.", row.change)}
						>
							Undo the import…
						</button>
					)}
					<button type="button" className="btn btn-ghost" onClick={onAgain}>
						Choose another file
					</button>
				</div>
			</div>
		);
	}
	return (
		<div className="grid gap-6">
			{row.stopped && (
				<Notice>
					The server was stopped while it was {row.state === "checking" ? "checking" : "writing"} this file. Nothing of
					it is written. It begins again by itself when the server is back, or now:{" "}
					<button type="button" className="link" onClick={() => run.mutate(row.state === "writing")}>
						Begin again
					</button>
				</Notice>
			)}
			<section className="bg-base-100 border border-base-300 rounded-box p-5 grid gap-4" aria-labelledby="match">
				<div className="flex flex-wrap items-baseline gap-x-4">
					<h2 id="match" className="font-serif text-xl font-semibold">
						Which column is which field?
					</h2>
					<span className="text-quiet">{row.name}</span>
					<span className="grow" />
					<button type="button" className="plain-add" onClick={onAgain}>
						Choose another file
					</button>
				</div>
				<MatchColumns row={row} options={options} busy={busy} set={set} />
				<Readings row={row} options={options} busy={busy} set={set} />
				<div className="grid sm:grid-cols-2 gap-4 border-t border-base-300 pt-4">
					<RowOptions row={row} options={options} busy={busy} set={set} />
					<label className="grid gap-1 content-start sm:col-span-2">
						<span className="font-semibold">
							{row.pictures ? "Pictures: a zip is here" : "Pictures that cells name, as a zip (if there are any)"}
						</span>
						<input
							type="file"
							accept=".zip"
							className="file-input file-input-sm w-full max-w-md"
							disabled={busy || pictures.isPending}
							onChange={(event) => {
								const file = event.target.files?.[0];
								if (file) {
									pictures.mutate(file);
								}
							}}
						/>
						{share !== null && (
							<progress className="progress w-full max-w-md" aria-label="Uploading" value={share} max={1} />
						)}
					</label>
				</div>
				{pictures.error && <Notice>{pictures.error.message}</Notice>}
				{run.error && <Notice>{run.error.message}</Notice>}
				<div className="flex flex-wrap gap-3 items-center">
					<button
						type="button"
						className={`btn ${checked ? "" : "btn-secondary"}`}
						disabled={busy || run.isPending}
						onClick={() => run.mutate(false)}
					>
						Check every row
					</button>
					{checked && (
						<button
							type="button"
							className="btn btn-secondary"
							disabled={run.isPending || right === 0 || ((result?.bad ?? 0) > 0 && !options.skipBad)}
							onClick={() => run.mutate(true)}
						>
							Write {n(right)} {right === 1 ? "item" : "items"}
						</button>
					)}
					{busy && (
						<span role="status" className="flex items-center gap-3">
							{row.state === "checking" ? "Checking" : "Writing"} {row.done > 0 ? `row ${n(row.done)}` : "…"}
							{row.state === "writing" && row.rows > 0 && (
								<progress className="progress w-40" aria-label="Written" value={row.done} max={row.rows} />
							)}
							<span className="text-quiet">You can leave; it goes on.</span>
						</span>
					)}
				</div>
			</section>
			{row.state === "failed" && <Problems result={result} />}
			{checked && result && (
				<section ref={report} className="grid gap-4 scroll-mt-4" aria-labelledby="checked">
					<h2 id="checked" className="font-serif text-xl font-semibold">
						{n(result.created)} new · {n(result.changed)} changed · {n(result.unchanged)} as they are ·{" "}
						<span className={result.bad ? "text-error" : ""}>{n(result.bad)} wrong</span>
					</h2>
					{(result.newTerms?.length ?? 0) > 0 && (
						<p>
							{n(result.newTerms?.length)} terms are made:{" "}
							<span className="text-quiet">{result.newTerms?.slice(0, 30).join(" · ")}</span>
						</p>
					)}
					<Problems result={result} />
					<Preview row={row} result={result} />
				</section>
			)}
		</div>
	);
}
