import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { get, type Query } from "../shared/api/api";
import type { MediaRow } from "../shared/api/schema";
import { moment, useStart } from "../shared/api/start";
import { Fault } from "../shared/Fault";
import { UploadArea } from "../shared/files/UploadArea";
import { Pager } from "../shared/Pager";
import { Screen } from "../shared/Screen";
import { useSettled } from "../shared/useSettled";
import { About, bytes, Use } from "./AboutFile";

type Asked = Query<"/media"> & { q: string; page: number };

/** Pictures and files, with the alternative text, size and uses of each. */
export function FilesScreen() {
	const start = useStart();
	const client = useQueryClient();
	const [asked, setAsked] = useState<Asked>({ q: "", page: 1 });
	const [open, setOpen] = useState<MediaRow | null>(null);
	const params = useSettled(asked);
	const found = useQuery({
		queryKey: ["media", params],
		queryFn: ({ signal }) => get("/media", { params: { query: params }, signal }),
		placeholderData: keepPreviousData,
	});
	const ask = (change: Partial<typeof asked>) => setAsked((now) => ({ ...now, page: 1, ...change }));
	return (
		<Screen
			title="Files"
			about="Pictures, films and documents. Pictures are made in every width the site uses, without what the camera noted."
		>
			<UploadArea
				kind={null}
				many
				id="files-upload"
				label="the site"
				asksAlt
				onUploaded={() => void client.invalidateQueries({ queryKey: ["media"] })}
			/>
			<div className="flex flex-wrap gap-2">
				<input
					type="search"
					className="input input-sm h-9 w-60"
					aria-label="Find by name or words"
					placeholder="Find by name or words"
					value={asked.q}
					onChange={(event) => ask({ q: event.target.value })}
				/>
				<select
					className="select select-sm h-9 w-auto"
					aria-label="Kind"
					value={asked.kind ?? ""}
					onChange={(event) => ask({ kind: (event.target.value || null) as Asked["kind"] })}
				>
					<option value="">any kind</option>
					<option value="picture">pictures</option>
					<option value="video">films</option>
					<option value="file">documents</option>
				</select>
				<select
					className="select select-sm h-9 w-auto"
					aria-label="Words"
					value={asked.alt ?? ""}
					onChange={(event) => ask({ alt: (event.target.value || null) as Asked["alt"] })}
				>
					<option value="">with or without words</option>
					<option value="missing">pictures without alternative text</option>
				</select>
			</div>
			{found.error && <Fault error={found.error} onRetry={found.refetch} />}
			<div
				className="relative overflow-x-auto bg-base-100 scroll-edge border border-base-300 rounded-box"
				tabIndex={-1}
			>
				<table className="w-full min-w-[46rem]">
					<thead className="border-b border-base-300 text-sm text-quiet">
						<tr>
							<th scope="col" className="w-24 px-4 py-2 text-left">
								<span className="sr-only">Picture</span>
							</th>
							<th scope="col" className="px-3 py-2 text-left">
								Name
							</th>
							<th scope="col" className="px-3 py-2 text-left">
								What it shows
							</th>
							<th scope="col" className="px-3 py-2 text-right">
								Size
							</th>
							<th scope="col" className="px-3 py-2 text-left">
								Used by
							</th>
							<th scope="col" className="px-3 py-2 text-left">
								Since
							</th>
						</tr>
					</thead>
					<tbody className="divide-y divide-base-300">
						{found.data?.media.map((one) => (
							<tr key={one.id} className="hover:bg-base-200">
								<td className="px-4 py-1.5">
									{one.kind === "picture" ? (
										<img
											src={one.small}
											alt=""
											width={64}
											height={48}
											loading="lazy"
											className="w-16 h-12 object-cover rounded"
										/>
									) : (
										<span className="text-quiet uppercase text-xs">{one.name.split(".").pop()}</span>
									)}
								</td>
								<td className="px-3 py-1.5 break-all">
									<button
										type="button"
										className="font-semibold hover:underline cursor-pointer text-left"
										onClick={() => setOpen(one)}
									>
										{one.name}
									</button>
								</td>
								<td className="px-3 py-1.5">
									{one.kind === "picture" ? (
										one.alt || <span className="text-secondary">no words yet</span>
									) : (
										<span className="text-quiet">{one.title}</span>
									)}
								</td>
								<td className="px-3 py-1.5 text-right whitespace-nowrap">
									{one.width ? `${one.width} × ${one.height}` : ""}
									<div className="text-quiet text-xs">{bytes(one.bytes)}</div>
								</td>
								<td className="px-3 py-1.5">
									{one.used.length === 0 ? (
										<span className="text-quiet">nothing</span>
									) : (
										<>
											{one.used.slice(0, 2).map((use, i) => (
												<span key={use.link ?? use.title}>
													{i > 0 && ", "}
													<Use use={use} className="hover:underline" />
												</span>
											))}
											{one.used.length > 2 && ` and ${one.used.length - 2} more`}
										</>
									)}
								</td>
								<td className="px-3 py-1.5 whitespace-nowrap text-quiet">{moment(start, one.at, false)}</td>
							</tr>
						))}
					</tbody>
				</table>
				{found.data?.total === 0 && <p className="px-5 py-6 text-quiet">Nothing fits.</p>}
			</div>
			{found.data && (
				<div className="flex flex-wrap items-center gap-4">
					<span className="text-quiet">{found.data.total.toLocaleString()} files</span>
					<Pager page={asked.page} pages={found.data.pages} onGo={(next) => setAsked({ ...asked, page: next })} />
				</div>
			)}
			{open && <About media={open} onClose={() => setOpen(null)} />}
		</Screen>
	);
}
