import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { del, get, upload } from "../../shared/api/api";
import type { Import } from "../../shared/api/schema";
import { FileDrop } from "../../shared/files/FileDrop";
import { Notice } from "../../shared/Notice";

const STATES = {
	new: "not checked yet",
	checking: "being checked",
	checked: "checked, not written",
	writing: "being written",
	done: "is in",
	failed: "could not be taken",
};

/** Chooses a file or accepts a dropped one; recent imports are listed below. */
export function ChooseFile({ type, onTaken }: { type: string; onTaken: (row: Import) => void }) {
	const [share, setShare] = useState<number | null>(null);
	const forget = useMutation({
		mutationFn: (id: number) => del("/imports/{id}", { params: { path: { id } } }),
		onSuccess: () => recent.refetch(),
	});
	const recent = useQuery({
		queryKey: ["imports", type],
		queryFn: ({ signal }) => get("/imports", { params: { query: { type } }, signal }),
		staleTime: 0,
	});
	const take = useMutation({
		mutationFn: (file: File) => {
			const body = new FormData();
			body.set("type", type);
			body.set("file", file);
			return upload("/imports", body, setShare);
		},
		onSuccess: onTaken,
		onSettled: () => setShare(null),
	});
	return (
		<FileDrop
			className="rounded-box p-8 grid gap-3 justify-items-start bg-base-100"
			onFiles={([file]) => file && take.mutate(file)}
		>
			<h2 className="font-serif text-xl font-semibold">Which file?</h2>
			<p className="text-quiet max-w-2xl">
				A table with a heading row (CSV; commas, semicolons or tabs; UTF-8 or Windows-1252), or objects (JSON, JSON
				Lines). Terms are paths such as <code>Perennials &gt; Ferns | Shade</code>.
			</p>
			<input
				type="file"
				aria-label="The file"
				accept=".csv,.tsv,.txt,.json,.jsonl,.ndjson"
				className="file-input w-full max-w-md"
				disabled={take.isPending}
				onChange={(event) => {
					const file = event.target.files?.[0];
					if (file) {
						take.mutate(file);
					}
				}}
			/>
			{share !== null && <progress className="progress w-full max-w-md" aria-label="Uploading" value={share} max={1} />}
			{take.error && <Notice>{take.error.message}</Notice>}
			{recent.data && recent.data.length > 0 && (
				<div className="border-t border-base-300 pt-3 w-full">
					<h3 className="font-semibold">Recent</h3>
					<ul className="grid gap-0.5">
						{recent.data.map((one) => (
							<li key={one.id}>
								<Link to={`?import=${one.id}`} className="underline">
									{one.name}
								</Link>{" "}
								<span className="text-quiet">{STATES[one.state]}</span>{" "}
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									aria-label={`Forget ${one.name}`}
									onClick={() => forget.mutate(one.id)}
								>
									×
								</button>
							</li>
						))}
					</ul>
				</div>
			)}
		</FileDrop>
	);
}
