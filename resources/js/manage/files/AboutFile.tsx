import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { del, put } from "../shared/api/api";
import { savedByOther } from "../shared/api/faults";
import type { Media, MediaRow } from "../shared/api/schema";
import { useDone } from "../shared/Done";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";

/** The uses and properties of a file. */

export function About({ media, onClose }: { media: MediaRow; onClose: () => void }) {
	const client = useQueryClient();
	const done = useDone();
	const [alt, setAlt] = useState(media.alt);
	const [focus, setFocus] = useState(media.focus);
	const over = () => {
		void client.invalidateQueries({ queryKey: ["media"] });
		onClose();
	};
	const [revision, setRevision] = useState(media.revision);
	const save = useMutation({
		mutationFn: () => put("/media/{media}", { params: { path: { media: media.id } }, body: { alt, focus, revision } }),
		onSuccess: over,
		onError: (error) => setRevision(savedByOther<Media>(error, "media")?.revision ?? revision),
	});
	const other = savedByOther<Media>(save.error, "media");
	const remove = useMutation({
		mutationFn: () => del("/media/{media}", { params: { path: { media: media.id } } }),
		onSuccess: () => {
			over();
			done(`${media.name} is removed.`);
		},
	});
	const shift = (dx: number, dy: number) => setFocus(([x, y]) => [bounded(x + dx), bounded(y + dy)]);
	return (
		<Sheet title={media.name} onClose={onClose} wide={media.kind === "picture"}>
			{other ? (
				<Notice>
					Someone else saved this file in the meantime, with the alternative text “{other.alt}”. Save again to replace
					it.
				</Notice>
			) : (
				(save.error ?? remove.error) && <Notice>{(save.error ?? remove.error)?.message}</Notice>
			)}
			{media.kind === "picture" && (
				<div className="grid md:grid-cols-[minmax(0,1fr)_16rem] gap-5">
					<div className="grid gap-1 content-start">
						<button
							type="button"
							className="relative cursor-crosshair block"
							aria-label={
								`The point that stays in sight: ${Math.round(focus[0] * 100)} % from the left, ` +
								`${Math.round(focus[1] * 100)} % from the top; arrow keys move it`
							}
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
						<p className="text-quiet text-sm">Click what must stay in sight where the picture is cut.</p>
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

export function bytes(count: number): string {
	return count < 1_000_000 ? `${Math.ceil(count / 1000)} kB` : `${(count / 1_000_000).toFixed(1)} MB`;
}

/** The uses of a file. Authors do not see uses by other people. */
export function Use({ use, className }: { use: MediaRow["used"][number]; className: string }) {
	return use.link ? (
		<Link to={use.link} className={className}>
			{use.title}
		</Link>
	) : (
		<span>{use.title}</span>
	);
}
