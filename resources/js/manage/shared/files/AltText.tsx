import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { put } from "../api/api";
import { savedByOther } from "../api/faults";
import type { Media } from "../api/schema";

/** The alternative text of a picture. It is saved with the file when the box loses the focus, or on Enter. */
export function AltText({ media, onSaved }: { media: Media; onSaved: (media: Media) => void }) {
	const [alt, setAlt] = useState(media.alt);
	const save = useMutation({
		mutationFn: () =>
			put("/media/{media}", {
				params: { path: { media: media.id } },
				body: { alt: alt.trim(), focus: media.focus, revision: media.revision },
			}),
		onSuccess: onSaved,
		onError: (error) => {
			const now = savedByOther<Media>(error, "media");
			if (now) {
				onSaved(now);
			}
		},
	});
	const other = savedByOther<Media>(save.error, "media");
	const saveChanged = () => {
		if (alt.trim() !== media.alt && !save.isPending) {
			save.mutate();
		}
	};
	return (
		<label className="grid gap-0.5 grow min-w-0">
			<span className="text-xs text-quiet">Alternative text</span>
			<input
				type="text"
				className="input input-sm w-full"
				aria-label={`Alternative text of ${media.title}`}
				placeholder="What the picture shows"
				value={alt}
				maxLength={300}
				onChange={(event) => setAlt(event.target.value)}
				// After a conflict only Enter saves, which overwrites the other person's text.
				onBlur={() => other === null && saveChanged()}
				onKeyDown={(event) => {
					if (event.key === "Enter") {
						event.preventDefault();
						event.stopPropagation();
						saveChanged();
					}
				}}
			/>
			<span role="status" className={`text-xs ${save.error ? "text-error" : "text-quiet"}`}>
				{other
					? `Someone else saved “${other.alt}”. Press Enter to replace it.`
					: (save.error?.message ?? (alt.trim() === media.alt && save.isSuccess ? "Saved" : ""))}
			</span>
		</label>
	);
}
