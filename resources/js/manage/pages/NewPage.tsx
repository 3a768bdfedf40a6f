import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { post } from "../shared/api/api";
import type { ContentType, PageAbout, Taxonomy } from "../shared/api/schema";
import { useStart } from "../shared/api/start";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import { useSettled } from "../shared/useSettled";

/** The default title of a page by the key of its records; empty for a page about nothing. */
function titleAbout(about: string, types: ContentType[], taxonomies: Taxonomy[]): string {
	const [kind = "", key] = about.split(" ");
	const type = types.find((one) => one.key === key);
	switch (kind) {
		case "term":
			return taxonomies.find((one) => one.key === key)?.label ?? "";
		case "item":
			return type?.label ?? "";
		case "month":
			return type ? `${type.plural} by month` : "";
		case "person":
			return "Person";
		default:
			return "";
	}
}

/**
 * A new page: its title, its address, and its records if it serves many. The address follows the title until it is
 * typed, and is checked during typing.
 */
export function NewPage({ under, onClose }: { under: string | null; onClose: () => void }) {
	const client = useQueryClient();
	const go = useNavigate();
	const { types, taxonomies } = useStart();
	/** The typed title; null: the default. */
	const [given, setGiven] = useState<string | null>(null);
	/** The typed address; null: it follows the title. */
	const [typed, setTyped] = useState<string | null>(null);
	/** The address while its field has the focus, so that a late answer does not change it. */
	const [held, setHeld] = useState<string | null>(null);
	const [about, setAbout] = useState("");
	const title = given ?? titleAbout(about, types, taxonomies);
	const kinds: [string, string, PageAbout][] = [
		...taxonomies.map((one): [string, string, PageAbout] => [
			`term ${one.key}`,
			`every term of ${one.label}`,
			{ term: one.key },
		]),
		...types.map((one): [string, string, PageAbout] => [
			`item ${one.key}`,
			`every one of ${one.plural}`,
			{ item: one.key },
		]),
		...types.map((one): [string, string, PageAbout] => [
			`month ${one.key}`,
			`every month that holds ${one.plural.toLowerCase()}`,
			{ month: [one.key] },
		]),
		["person", "every person who has an account", { person: true }],
	];
	const asked = kinds.find(([key]) => key === about)?.[2];
	const now = JSON.stringify([title, typed, about]);
	const sought = useSettled(now, 200);
	const checked = useQuery({
		queryKey: ["page address", sought, under],
		queryFn: ({ signal }) => post("/pages/address", { body: { title, about: asked, under, address: typed }, signal }),
		enabled: title.trim() !== "" || asked !== undefined || typed !== null,
		placeholderData: keepPreviousData,
	});
	const address = typed ?? held ?? checked.data?.address ?? "";
	const answer =
		now === sought && !checked.isPlaceholderData && checked.data?.address === address ? checked.data : null;
	const fault = answer?.fault ?? null;
	const make = useMutation({
		// Without a typed address, the server makes one from the title.
		mutationFn: () => post("/pages", { body: { title, address: typed, about: asked, under } }),
		onSuccess: (page) => {
			void client.invalidateQueries({ queryKey: ["pages"] });
			onClose();
			void go(`/pages/${page.key}`);
		},
	});
	return (
		<Sheet title="A new page" onClose={onClose}>
			<form
				className="grid gap-3"
				onSubmit={(event: FormEvent) => {
					event.preventDefault();
					make.mutate();
				}}
			>
				<label className="grid gap-1">
					<span className="font-semibold">Title</span>
					<input className="input w-full" required value={title} onChange={(event) => setGiven(event.target.value)} />
				</label>
				<label className="grid gap-1">
					<span className="font-semibold">Address</span>
					<input
						className="input w-full"
						aria-invalid={fault !== null}
						value={address}
						placeholder="made from the title"
						onFocus={() => setHeld(address)}
						onBlur={() => setHeld(null)}
						onChange={(event) => setTyped(event.target.value === "" ? null : event.target.value)}
					/>
					<span role="status" className={`min-h-[1.3em] text-sm ${fault ? "text-error" : "text-quiet"}`}>
						{fault ?? (answer ? "This address is free." : "")}
					</span>
				</label>
				<div className="grid gap-1">
					<span className="font-semibold">One page for</span>
					<PickByTyping
						label="One page for"
						placeholder="nothing but itself"
						options={kinds.map(([key, words]) => ({ key, label: words }))}
						value={about || null}
						onPick={(key) => {
							setAbout(key ?? "");
							const base = typed?.replace(/\/\{[^}]*\}$/, "").replace(/\/$/, "");
							setTyped(base ? (key === null ? base : `${base}/{${key.split(" ")[0]}}`) : null);
						}}
						above
					/>
				</div>
				{make.error && <Notice>{make.error.message}</Notice>}
				<button
					type="submit"
					className="btn btn-secondary justify-self-start"
					disabled={make.isPending || fault !== null}
				>
					Add the page
				</button>
			</form>
		</Sheet>
	);
}
