import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { send } from "../shared/api";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import type { PageAbout, PageWhole } from "../shared/schema";
import { useStart } from "../shared/start";

/** A new page: what it is called, where it is, and, where its address has a placeholder, what it is about. */
export function NewPage({ onClose }: { onClose: () => void }) {
	const client = useQueryClient();
	const go = useNavigate();
	const { types, taxonomies } = useStart();
	const [title, setTitle] = useState("");
	const [address, setAddress] = useState("/");
	const [about, setAbout] = useState("");
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
	const make = useMutation({
		mutationFn: () =>
			send<PageWhole>("POST", "/pages", {
				title,
				address,
				about: kinds.find(([key]) => key === about)?.[2] ?? null,
			}),
		onSuccess: (page) => {
			void client.invalidateQueries({ queryKey: ["pages"] });
			onClose();
			void go(`/pages/${page.key}`);
		},
	});
	const choose = (next: string) => {
		setAbout(next);
		const base = address.replace(/\/\{[^}]*\}$/, "").replace(/\/$/, "");
		setAddress(next === "" ? base || "/" : `${base}/{${next.split(" ")[0]}}`);
	};
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
					<input className="input w-full" required value={title} onChange={(event) => setTitle(event.target.value)} />
				</label>
				<label className="grid gap-1">
					<span className="font-semibold">Address</span>
					<input
						className="input w-full"
						required
						value={address}
						onChange={(event) => setAddress(event.target.value)}
					/>
				</label>
				<div className="grid gap-1">
					<span className="font-semibold">One page for</span>
					<PickByTyping
						label="One page for"
						placeholder="nothing but itself"
						options={kinds.map(([key, words]) => ({ key, label: words }))}
						value={about || null}
						onPick={(key) => choose(key ?? "")}
						above
					/>
				</div>
				{make.error && <Notice>{make.error.message}</Notice>}
				<button type="submit" className="btn btn-secondary justify-self-start" disabled={make.isPending}>
					Add the page
				</button>
			</form>
		</Sheet>
	);
}
