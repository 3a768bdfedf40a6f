import { useRef, useState } from "react";
import type { Media } from "../api/schema";
import { AltText } from "../files/AltText";
import { MediaPicker } from "../files/MediaPicker";
import { UploadArea } from "../files/UploadArea";
import type { ControlProps } from "./props";

/** Pictures, a file or a video: uploaded here, or chosen from the site's files. */
export function MediaControl({ field, value, onChange, files = {}, onFiles, id }: ControlProps & { id: string }) {
	const [picking, setPicking] = useState(false);
	const many = field.family === "pictures";
	const names = (Array.isArray(value) ? value : [value]).filter(
		(one): one is string => typeof one === "string" && one !== "",
	);
	const kind = field.family === "pictures" ? "picture" : (field.family as Media["kind"]);
	// Uploads end one after the other, some before the next render, so each adds to the latest names.
	const latest = useRef(names);
	latest.current = names;
	const set = (next: string[]) => {
		latest.current = next;
		onChange(many ? (next.length === 0 ? null : next) : (next[0] ?? null));
	};
	const take = (taken: Media[]) => {
		onFiles?.(taken);
		const added = taken.map((one) => one.name).filter((name) => !latest.current.includes(name));
		set(many ? [...latest.current, ...added] : added.slice(-1).concat(latest.current).slice(0, 1));
	};
	const elsewhere = field.family === "video" && (names[0] ?? "").includes("://");
	return (
		<div className="grid gap-2">
			{names.length > 0 && !elsewhere && (
				<ul className={many ? "grid grid-cols-3 gap-2" : "grid gap-2"}>
					{names.map((name, i) => (
						<li key={name} className="grid gap-1 content-start min-w-0">
							<Shown name={name} media={files[name]} onSaved={(media) => onFiles?.([media])} />
							<div className="flex flex-wrap gap-1">
								{many && i > 0 && (
									<button
										type="button"
										className="btn btn-xs btn-ghost"
										aria-label={`Move ${name} forward`}
										onClick={() => set([...names.slice(0, i - 1), name, names[i - 1] as string, ...names.slice(i + 1)])}
									>
										←
									</button>
								)}
								<button
									type="button"
									className="btn btn-xs btn-ghost -ml-1.5"
									aria-label={`Take ${name} away`}
									onClick={() => set(names.filter((one) => one !== name))}
								>
									Remove
								</button>
							</div>
						</li>
					))}
				</ul>
			)}
			{field.family === "video" && (
				<input
					type="url"
					className="input w-full"
					aria-label="Address of a video elsewhere"
					placeholder="https:// address of a video elsewhere"
					value={elsewhere ? names[0] : ""}
					onChange={(event) => onChange(event.target.value || null)}
				/>
			)}
			<UploadArea kind={kind} many={many} id={`${id}-upload`} label={field.label} onUploaded={take}>
				<button type="button" className="plain-add" onClick={() => setPicking(true)}>
					Choose a file
				</button>
			</UploadArea>
			{picking && (
				<MediaPicker
					kind={kind}
					onClose={() => setPicking(false)}
					onPick={(media) => {
						setPicking(false);
						take(media);
					}}
				/>
			)}
		</div>
	);
}

function Shown({ name, media, onSaved }: { name: string; media: Media | undefined; onSaved: (media: Media) => void }) {
	if (!media) {
		return <span className="text-quiet break-all">{name}</span>;
	}
	if (media.kind === "picture") {
		return (
			<>
				<img
					src={media.small}
					alt={media.alt}
					width={media.width ?? undefined}
					height={media.height ?? undefined}
					className="w-full h-auto rounded-field border border-base-300"
				/>
				<AltText key={media.id} media={media} onSaved={onSaved} />
			</>
		);
	}
	return media.kind === "video" ? (
		// biome-ignore lint/a11y/useMediaCaption: captions are the manager's to add
		<video src={media.url} controls preload="metadata" className="w-full rounded-field" aria-label={media.title} />
	) : (
		<a href={media.url} className="underline break-all">
			{media.title}
		</a>
	);
}
