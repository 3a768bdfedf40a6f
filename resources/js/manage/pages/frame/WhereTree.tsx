import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { post } from "../../shared/api/api";
import type { PageBlock, PlaceRow } from "../../shared/api/schema";
import { Notice } from "../../shared/Notice";

type On = NonNullable<PageBlock["on"]>;
type Change = { address: string; shows: boolean; below: boolean } | { newPages: boolean };

/** Above this number, pages are found by a part of their title or address. */
const FIND_FROM = 15;

function usePlace(on: On) {
	return useQuery({
		queryKey: ["frame", "place", on],
		queryFn: ({ signal }) => post("/frame/place", { body: { on }, signal }),
		placeholderData: keepPreviousData,
	});
}

/** The pages of a frame entry in one sentence. */
export function WhereWords({ on }: { on: On }) {
	return <>{usePlace(on).data?.sentence ?? "…"}</>;
}

/** The pages of a frame entry, ticked in the tree of pages. */
export function WhereTree({ on, onChange }: { on: On; onChange: (entry: { on?: On }) => void }) {
	const client = useQueryClient();
	const place = usePlace(on);
	const [words, setWords] = useState("");
	// Quick ticks are applied one after the other, each to the result of the last.
	const latest = useRef(on);
	latest.current = on;
	const change = useMutation({
		scope: { id: "frame place" },
		mutationFn: (next: Change) => post("/frame/place", { body: { on: latest.current, ...next } }),
		onSuccess: (now) => {
			const entry = now.entry as { on?: On };
			latest.current = entry.on ?? "everywhere";
			client.setQueryData(["frame", "place", entry.on ?? "everywhere"], now);
			onChange(entry);
		},
	});
	const wanted = words.trim().toLowerCase();
	const pages = place.data?.pages ?? [];
	const shown = pages.filter((one) => `${one.title} ${one.address}`.toLowerCase().includes(wanted));
	const error = place.error ?? change.error;
	return (
		<fieldset className="grid gap-1.5">
			<legend className="font-semibold">Shows</legend>
			<p role="status">{place.data?.sentence ?? "…"}</p>
			<div className="flex gap-4 text-sm">
				<button type="button" className="plain-add" onClick={() => onChange({})}>
					Tick all
				</button>
				<button type="button" className="plain-add" onClick={() => onChange({ on: "nowhere" })}>
					Tick none
				</button>
			</div>
			{pages.length > FIND_FROM && (
				<input
					type="search"
					className="input input-sm"
					aria-label="Find a page"
					placeholder="Find a page"
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
			)}
			<ul className="grid max-h-64 overflow-y-auto border border-base-300 rounded-field p-1.5">
				{shown.map((one) => (
					<PageRow
						key={one.address}
						row={one}
						isFlat={wanted !== ""}
						onTick={(shows, below) => change.mutate({ address: one.address, shows, below })}
					/>
				))}
				{place.data && shown.length === 0 && <li className="text-quiet">No page of that name.</li>}
			</ul>
			<label className="flex items-center gap-2 cursor-pointer">
				<input
					type="checkbox"
					className="checkbox checkbox-xs"
					checked={place.data?.newPages ?? false}
					onChange={(event) => change.mutate({ newPages: event.target.checked })}
				/>
				New pages too
			</label>
			<TypedAddresses on={on} newPages={place.data?.newPages ?? true} onChange={onChange} />
			{error && <Notice>{error.message}</Notice>}
		</fieldset>
	);
}

function PageRow({
	row,
	isFlat,
	onTick,
}: {
	row: PlaceRow;
	isFlat: boolean;
	onTick: (shows: boolean, below: boolean) => void;
}) {
	return (
		<li className="flex items-baseline gap-2 py-0.5" style={{ paddingLeft: `${isFlat ? 0 : row.depth * 1.1}rem` }}>
			<label className="flex items-baseline gap-2 grow min-w-0 cursor-pointer">
				<input
					type="checkbox"
					className="checkbox checkbox-xs relative top-0.5"
					checked={row.shows}
					onChange={() => onTick(!row.shows, false)}
				/>
				<span className="min-w-0 break-words">
					{row.title} <span className="text-quiet text-xs">{row.address}</span>
				</span>
			</label>
			{row.branch !== null && (
				<button
					type="button"
					className="plain-add text-xs whitespace-nowrap"
					aria-label={`${row.branch ? "Take off" : "Tick"} ${row.title} and all below it`}
					onClick={() => onTick(!row.branch, true)}
				>
					{row.branch ? "none below" : "all below"}
				</button>
			)}
		</li>
	);
}

/** Addresses that are not pages in the tree, such as the page of one term. */
function TypedAddresses({
	on,
	newPages,
	onChange,
}: {
	on: On;
	newPages: boolean;
	onChange: (entry: { on?: On }) => void;
}) {
	const names =
		typeof on === "string"
			? []
			: ((on as { pages?: string[]; except?: string[] })[newPages ? "except" : "pages"] ?? []);
	const take = (text: string) => {
		const next = text.split(/[\s,]+/).filter((one) => one !== "");
		if (next.join(" ") !== names.join(" ")) {
			onChange(
				next.length === 0 ? (newPages ? {} : { on: "nowhere" }) : { on: { [newPages ? "except" : "pages"]: next } },
			);
		}
	};
	return (
		<details>
			<summary className="text-sm text-quiet cursor-pointer">Type addresses</summary>
			<label className="grid gap-1 text-sm pt-1">
				{newPages ? "It does not show on" : "It shows only on"}
				<input
					className="input input-sm"
					key={names.join(" ")}
					defaultValue={names.join(" ")}
					placeholder="/groups/ferns /shop/*"
					onBlur={(event) => take(event.target.value)}
					onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
				/>
				<span className="text-quiet">With spaces between. /shop/* means that page and all below it.</span>
			</label>
		</details>
	);
}
