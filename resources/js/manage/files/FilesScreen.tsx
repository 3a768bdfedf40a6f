import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { get, send } from "../shared/api";
import { useDone } from "../shared/Done";
import { Fault } from "../shared/Fault";
import type { MediaPage } from "../shared/MediaPicker";
import { Notice } from "../shared/Notice";
import { Pager } from "../shared/Pager";
import { Screen } from "../shared/Screen";
import { Sheet } from "../shared/Sheet";
import { moment, useStart } from "../shared/start";
import type { Media } from "../shared/types";
import { UploadArea } from "../shared/UploadArea";
import { useSettled } from "../shared/useSettled";

type Row = MediaPage["media"][number];

/** Pictures and files: what each shows, how large it is, where it is used. */
export function FilesScreen() {
	const start = useStart();
	const client = useQueryClient();
	const [asked, setAsked] = useState({ q: "", kind: "", alt: "", page: 1 });
	const [open, setOpen] = useState<Row | null>(null);
	const { page, ...rest } = asked;
	const params = useSettled(new URLSearchParams({ ...rest, page: String(page) }).toString());
	const found = useQuery({
		queryKey: ["media", params],
		queryFn: ({ signal }) => get<MediaPage>(`/media?${params}`, signal),
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
					value={asked.kind}
					onChange={(event) => ask({ kind: event.target.value })}
				>
					<option value="">any kind</option>
					<option value="picture">pictures</option>
					<option value="video">films</option>
					<option value="file">documents</option>
				</select>
				<select
					className="select select-sm h-9 w-auto"
					aria-label="Words"
					value={asked.alt}
					onChange={(event) => ask({ alt: event.target.value })}
				>
					<option value="">with or without words</option>
					<option value="missing">pictures without alternative text</option>
				</select>
			</div>
			{found.error && <Fault error={found.error} onRetry={found.refetch} />}
			<div className="relative overflow-x-auto bg-base-100 border border-base-300 rounded-box" tabIndex={-1}>
				<table className="w-full min-w-[46rem]">
					<thead className="border-b border-base-300 text-[0.85rem] text-quiet">
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
										<span className="text-quiet uppercase text-[0.8rem]">{one.name.split(".").pop()}</span>
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
									<div className="text-quiet text-[0.82rem]">{bytes(one.bytes)}</div>
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
					<Pager page={page} pages={found.data.pages} onGo={(next) => setAsked({ ...asked, page: next })} />
				</div>
			)}
			{open && <About media={open} onClose={() => setOpen(null)} />}
		</Screen>
	);
}

function About({ media, onClose }: { media: Row; onClose: () => void }) {
	const client = useQueryClient();
	const done = useDone();
	const [alt, setAlt] = useState(media.alt);
	const [focus, setFocus] = useState(media.focus);
	const over = () => {
		void client.invalidateQueries({ queryKey: ["media"] });
		onClose();
	};
	const save = useMutation({
		mutationFn: () => send<Media>("PUT", `/media/${media.id}`, { alt, focus }),
		onSuccess: over,
	});
	const remove = useMutation({
		mutationFn: () => send("DELETE", `/media/${media.id}`, {}),
		onSuccess: () => {
			over();
			done(`${media.name} is removed.`);
		},
	});
	const shift = (dx: number, dy: number) => setFocus(([x, y]) => [bounded(x + dx), bounded(y + dy)]);
	return (
		<Sheet title={media.name} onClose={onClose} wide={media.kind === "picture"}>
			{(save.error ?? remove.error) && <Notice>{(save.error ?? remove.error)?.message}</Notice>}
			{media.kind === "picture" && (
				<div className="grid md:grid-cols-[minmax(0,1fr)_16rem] gap-5">
					<div className="grid gap-1 content-start">
						<button
							type="button"
							className="relative cursor-crosshair block"
							aria-label={`The point that stays in sight: ${Math.round(focus[0] * 100)} % from the left, ${Math.round(focus[1] * 100)} % from the top; arrow keys move it`}
							onClick={(event) => {
								const box = event.currentTarget.getBoundingClientRect();
								if (event.detail > 0) {
									setFocus([
										bounded((event.clientX - box.left) / box.width),
										bounded((event.clientY - box.top) / box.height),
									]);
								}
							}}
							onKeyDown={(event) => {
								const step: Record<string, [number, number]> = {
									ArrowLeft: [-0.05, 0],
									ArrowRight: [0.05, 0],
									ArrowUp: [0, -0.05],
									ArrowDown: [0, 0.05],
								};
								const by = step[event.key];
								if (by) {
									event.preventDefault();
									shift(...by);
								}
							}}
						>
							<img
								src={media.url}
								alt={media.alt}
								width={media.width ?? undefined}
								height={media.height ?? undefined}
								className="w-full h-auto rounded-field"
							/>
							<span
								aria-hidden="true"
								className="absolute size-6 -m-3 rounded-full border-3 border-white bg-secondary/80 shadow"
								style={{ left: `${focus[0] * 100}%`, top: `${focus[1] * 100}%` }}
							/>
						</button>
						<p className="text-quiet text-[0.85rem]">Click what must stay in sight where the picture is cut.</p>
					</div>
					<div className="grid gap-3 content-start">
						{["1 / 1", "16 / 6"].map((shape) => (
							<img
								key={shape}
								src={media.small}
								alt=""
								className="w-full object-cover rounded-field"
								style={{ aspectRatio: shape, objectPosition: `${focus[0] * 100}% ${focus[1] * 100}%` }}
							/>
						))}
					</div>
				</div>
			)}
			{media.kind === "picture" && (
				<label className="grid gap-1">
					<span className="font-semibold">Alternative text: what it shows, for those who cannot see it</span>
					<input
						className="input w-full"
						value={alt}
						maxLength={300}
						onChange={(event) => setAlt(event.target.value)}
					/>
				</label>
			)}
			<div>
				<h3 className="font-semibold">Used by</h3>
				{media.used.length === 0 ? (
					<p className="text-quiet">Nothing. It can be removed.</p>
				) : (
					<ul className="flex flex-wrap gap-x-4">
						{media.used.map((use) => (
							<li key={use.link ?? use.title}>
								<Use use={use} className="underline" />
							</li>
						))}
					</ul>
				)}
			</div>
			<div className="flex flex-wrap gap-3">
				{media.kind === "picture" && (
					<button type="button" className="btn btn-secondary" disabled={save.isPending} onClick={() => save.mutate()}>
						Save
					</button>
				)}
				<a href={media.url} className="btn" target="_blank" rel="noreferrer">
					Open the file
				</a>
				<button type="button" className="btn btn-ghost" disabled={remove.isPending} onClick={() => remove.mutate()}>
					Remove
				</button>
			</div>
		</Sheet>
	);
}

function bounded(share: number): number {
	return Math.max(0, Math.min(1, Math.round(share * 100) / 100));
}

function bytes(count: number): string {
	return count < 1_000_000 ? `${Math.ceil(count / 1000)} kB` : `${(count / 1_000_000).toFixed(1)} MB`;
}

/** Where a file is used; what somebody else uses it for is not told to an author. */
function Use({ use, className }: { use: Row["used"][number]; className: string }) {
	return use.link ? (
		<Link to={use.link} className={className}>
			{use.title}
		</Link>
	) : (
		<span>{use.title}</span>
	);
}
