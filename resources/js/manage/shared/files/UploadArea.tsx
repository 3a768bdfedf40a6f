import { type ReactNode, useRef, useState } from "react";
import { ApiError, upload } from "../api/api";
import type { Media } from "../api/schema";
import { AltText } from "./AltText";
import { FileDrop } from "./FileDrop";

interface Going {
	key: number;
	name: string;
	share: number;
	problem: string | null;
}

const TAKES = {
	picture: "image/png,image/jpeg,image/webp,image/gif",
	video: "video/mp4,video/webm",
	file: ".pdf,.txt,.csv,.zip,.docx,.xlsx,.pptx,.odt,.ods,.mp3,.ogg",
};

let next = 0;

/**
 * Uploads files that are dropped, pasted or chosen, several at once, each with its progress. The caller gets them in
 * the order of choosing, whichever upload ends first.
 */
export function UploadArea({
	kind,
	many,
	id,
	label,
	onUploaded,
	asksAlt = false,
	children,
}: {
	kind: Media["kind"] | null;
	many: boolean;
	id: string;
	label: string;
	onUploaded: (media: Media[]) => void;
	/** True if it asks for the alternative text of each picture. */
	asksAlt?: boolean;
	/** Another way to choose a file. */
	children?: ReactNode;
}) {
	const [going, setGoing] = useState<Going[]>([]);
	const [asked, setAsked] = useState<Media[]>([]);
	const input = useRef<HTMLInputElement>(null);
	const begin = (files: File[]) => {
		const taken = many ? files : files.slice(0, 1);
		const results: (Media | null | undefined)[] = taken.map(() => undefined);
		let handed = 0;
		const finish = (at: number, media: Media | null) => {
			results[at] = media;
			const ready: Media[] = [];
			for (; handed < results.length && results[handed] !== undefined; handed++) {
				ready.push(...[results[handed]].filter((one) => one !== null && one !== undefined));
			}
			if (ready.length > 0) {
				onUploaded(ready);
			}
		};
		taken.forEach((file, at) => {
			const key = next++;
			const set = (change: Partial<Going>) =>
				setGoing((now) => now.map((one) => (one.key === key ? { ...one, ...change } : one)));
			setGoing((now) => [...now, { key, name: file.name, share: 0, problem: null }]);
			const body = new FormData();
			body.set("file", file);
			upload("/media", body, (share) => set({ share }))
				.then((media) => {
					setGoing((now) => now.filter((one) => one.key !== key));
					if (asksAlt && media.kind === "picture") {
						setAsked((now) => [...now, media]);
					}
					finish(at, media);
				})
				.catch((error: unknown) => {
					set({ problem: error instanceof ApiError ? error.message : "The file was not taken." });
					finish(at, null);
				});
		});
	};
	return (
		<FileDrop className="rounded-field px-2.5 py-1.5 text-sm grid gap-1.5" onFiles={begin}>
			<div className="flex flex-wrap items-center gap-x-3 gap-y-1">
				<button type="button" className="plain-add" onClick={() => input.current?.click()}>
					{many ? "Upload files" : "Upload"}
				</button>
				{children}
				<span className="text-quiet">or drop, or paste</span>
				<input
					ref={input}
					id={id}
					type="file"
					className="sr-only"
					tabIndex={-1}
					aria-label={`Upload for ${label}`}
					multiple={many}
					accept={kind === null ? Object.values(TAKES).join(",") : TAKES[kind]}
					onChange={(event) => {
						begin([...(event.target.files ?? [])]);
						event.target.value = "";
					}}
				/>
			</div>
			{going.map((one) => (
				<div key={one.key} role="status" className="grid gap-0.5">
					<span className={one.problem ? "text-error font-medium" : ""}>
						{one.name}
						{one.problem ? `: ${one.problem}` : ` · ${Math.round(one.share * 100)} %`}
						{one.problem && (
							<button
								type="button"
								className="btn btn-xs btn-ghost"
								onClick={() => setGoing((now) => now.filter((other) => other.key !== one.key))}
							>
								Close
							</button>
						)}
					</span>
					{!one.problem && <progress className="progress w-full" aria-label={one.name} value={one.share} max={1} />}
				</div>
			))}
			{asked.map((media) => (
				<div key={media.id} className="flex items-start gap-2 border-t border-base-300 pt-2">
					<img src={media.small} alt="" width={48} height={36} className="w-12 h-9 object-cover rounded" />
					<AltText media={media} onSaved={(now) => onUploaded([now])} />
					<button
						type="button"
						className="btn btn-sm"
						onClick={() => setAsked((all) => all.filter((one) => one.id !== media.id))}
					>
						Close
					</button>
				</div>
			))}
		</FileDrop>
	);
}
