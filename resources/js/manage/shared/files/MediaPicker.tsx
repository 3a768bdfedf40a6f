import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { get } from "../api/api";
import type { Media } from "../api/schema";
import { Pager } from "../Pager";
import { Sheet } from "../Sheet";
import { useSettled } from "../useSettled";

/** Chooses among the site's files. */
export function MediaPicker({
	kind,
	onPick,
	onClose,
}: {
	kind: Media["kind"];
	onPick: (media: Media[]) => void;
	onClose: () => void;
}) {
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const [page, setPage] = useState(1);
	const found = useQuery({
		queryKey: ["media", kind, sought, page],
		queryFn: ({ signal }) => get("/media", { params: { query: { kind, q: sought, page } }, signal }),
		placeholderData: keepPreviousData,
	});
	return (
		<Sheet
			title={
				kind === "picture" ? "Pictures on the site" : kind === "video" ? "Videos on the site" : "Files on the site"
			}
			onClose={onClose}
			wide
		>
			<input
				type="search"
				className="input w-full"
				aria-label="Find by name or words"
				placeholder="Find by name or words"
				value={words}
				onChange={(event) => {
					setWords(event.target.value);
					setPage(1);
				}}
			/>
			<ul className="grid grid-cols-2 sm:grid-cols-4 md:grid-cols-5 gap-3 min-h-40 content-start">
				{found.data?.media.map((one) => (
					<li key={one.id}>
						<button
							type="button"
							className="w-full text-left cursor-pointer grid gap-1 hover:bg-accent rounded-field p-1"
							onClick={() => onPick([one])}
						>
							{one.kind === "picture" && (
								<img
									src={one.small}
									alt={one.alt}
									width={200}
									height={150}
									loading="lazy"
									className="w-full aspect-4/3 object-cover rounded"
								/>
							)}
							<span className="text-xs break-all">{one.name}</span>
						</button>
					</li>
				))}
				{found.data?.total === 0 && <li className="text-quiet col-span-full">Nothing fits.</li>}
			</ul>
			{found.data && <Pager page={page} pages={found.data.pages} onGo={setPage} />}
		</Sheet>
	);
}
