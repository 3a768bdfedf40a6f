import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, Navigate, useParams, useSearchParams } from "react-router";
import { get, post } from "../shared/api/api";
import type { TaxonomyRow } from "../shared/api/schema";
import { useDone } from "../shared/Done";
import { Fault, Opening } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { Screen } from "../shared/Screen";
import { keyFrom } from "../types/typeFile";
import { TaxonomySheet } from "./TaxonomySheet";
import { TermPanel } from "./TermPanel";
import { TermTree } from "./TermTree";

/** The terms of a taxonomy as a tree with counts; the open term is beside it. */
export function TermsScreen() {
	const { taxonomy: key } = useParams();
	const taxonomies = useQuery({
		queryKey: ["taxonomies"],
		queryFn: ({ signal }) => get("/taxonomies", { signal }),
	});
	const [making, setMaking] = useState(false);
	const [defining, setDefining] = useState(false);
	if (!taxonomies.data) {
		return <Opening queries={[taxonomies]} />;
	}
	const taxonomy = taxonomies.data.find((one) => one.key === key);
	if (!taxonomy && taxonomies.data[0] && key === undefined) {
		return <Navigate to={`/terms/${taxonomies.data[0].key}`} replace />;
	}
	return (
		<Screen
			title="Terms"
			about="What items are sorted under. A term has words, a picture and a colour of its own."
			aside={
				<div className="flex flex-wrap gap-2">
					{taxonomy && (
						<>
							<a href={`/manage/api/taxonomies/${taxonomy.key}/file`} className="btn btn-sm h-9">
								As a file
							</a>
							<button type="button" className="btn btn-sm h-9" onClick={() => setDefining(true)}>
								About {taxonomy.label}
							</button>
						</>
					)}
					<button type="button" className="btn btn-primary btn-sm h-9" onClick={() => setMaking(true)}>
						New taxonomy
					</button>
				</div>
			}
		>
			<nav aria-label="Taxonomies" className="flex flex-wrap gap-x-5 gap-y-1 -mt-2">
				{taxonomies.data.map((one) => (
					<Link
						key={one.key}
						to={`/terms/${one.key}`}
						aria-current={one.key === key ? "page" : undefined}
						className={`border-b-2 py-0.5
							${one.key === key ? "font-semibold border-secondary" : "border-transparent text-quiet hover:text-base-content"}`}
					>
						{one.label} <span className="text-quiet">{one.terms.toLocaleString()}</span>
					</Link>
				))}
			</nav>
			{taxonomy ? (
				<Terms key={taxonomy.key} taxonomy={taxonomy} />
			) : (
				<Notice tone="calm">
					{key === undefined ? "There is no taxonomy yet. Make the first one." : `There is no taxonomy “${key}”.`}
				</Notice>
			)}
			{making && <NewTaxonomy onClose={() => setMaking(false)} />}
			{defining && taxonomy && <TaxonomySheet taxonomy={taxonomy} onClose={() => setDefining(false)} />}
		</Screen>
	);
}

function NewTaxonomy({ onClose }: { onClose: () => void }) {
	return (
		<TaxonomySheet
			taxonomy={{
				key: "",
				label: "",
				tree: true,
				terms: 0,
				types: [],
				revision: 0,
				file: { format: 1, key: "", label: "", tree: true },
			}}
			onClose={onClose}
			keyOf={keyFrom}
		/>
	);
}

function Terms({ taxonomy }: { taxonomy: TaxonomyRow }) {
	const client = useQueryClient();
	const done = useDone();
	const [asked, setAsked] = useSearchParams();
	const chosen = asked.get("term") === null ? null : Number(asked.get("term"));
	const [ticked, setTicked] = useState<Set<number>>(new Set());
	const terms = useQuery({
		queryKey: ["terms", taxonomy.key],
		queryFn: ({ signal }) => get("/taxonomies/{key}/terms", { params: { path: { key: taxonomy.key } }, signal }),
	});
	const again = () =>
		Promise.all(["terms", "taxonomies", "start", "items"].map((key) => client.invalidateQueries({ queryKey: [key] })));
	const choose = (id: number | null) => setAsked(id === null ? {} : { term: String(id) }, { replace: true });
	const [name, setName] = useState("");
	const add = useMutation({
		mutationFn: () =>
			post("/taxonomies/{key}/terms", {
				params: { path: { key: taxonomy.key } },
				body: {
					parent: taxonomy.tree ? chosen : null,
					term: { name },
				},
			}),
		onSuccess: async () => {
			setName("");
			await again();
		},
	});
	const move = useMutation({
		mutationFn: ({ id, parent, position }: { id: number; parent: number | null; position: number }) =>
			post("/terms/{id}/move", { params: { path: { id } }, body: { parent, position } }),
		onSuccess: again,
		onError: (error) => done(`Not moved: ${error.message}`),
	});
	const merge = useMutation({
		mutationFn: (into: number) =>
			post("/terms/merge", { body: { into, terms: [...ticked].filter((one) => one !== into) } }),
		onSuccess: async ({ change }, into) => {
			setTicked(new Set());
			choose(into);
			await again();
			done("Merged; the items followed.", change);
		},
		onError: (error) => done(`Not merged: ${error.message}`),
	});
	const submit = (event: FormEvent) => {
		event.preventDefault();
		if (name.trim() !== "") {
			add.mutate();
		}
	};
	const under = taxonomy.tree && chosen !== null ? terms.data?.find((one) => one.id === chosen) : undefined;
	return (
		<div className="grid lg:grid-cols-[minmax(0,1fr)_22rem] gap-6 items-start">
			<div className="grid gap-4 min-w-0">
				<form onSubmit={submit} className="flex flex-wrap gap-2">
					<input
						className="input input-sm h-9 grow max-w-sm"
						aria-label={under ? `A new term under ${under.name}` : "A new term"}
						placeholder={under ? `A new term under ${under.name}` : "A new term"}
						value={name}
						onChange={(event) => setName(event.target.value)}
					/>
					<button type="submit" className="btn btn-sm h-9" disabled={name.trim() === "" || add.isPending}>
						Add
					</button>
				</form>
				{add.error && <Notice>{add.error.message}</Notice>}
				{terms.error && <Fault error={terms.error} onRetry={terms.refetch} />}
				{ticked.size > 1 && terms.data && (
					<div
						role="toolbar"
						aria-label="With the selected terms"
						className="flex flex-wrap items-center gap-2 bg-accent text-accent-content rounded-box px-4 py-2"
					>
						<strong>{ticked.size} ticked.</strong> Merge all into
						<select
							className="select select-sm w-auto"
							aria-label="The term that stays"
							value=""
							disabled={merge.isPending}
							onChange={(event) => merge.mutate(Number(event.target.value))}
						>
							<option value="">which one stays?</option>
							{terms.data
								.filter((one) => ticked.has(one.id))
								.map((one) => (
									<option key={one.id} value={one.id}>
										{one.name} ({one.items})
									</option>
								))}
						</select>
						<button type="button" className="btn btn-sm btn-ghost" onClick={() => setTicked(new Set())}>
							None
						</button>
					</div>
				)}
				{terms.data && (
					<TermTree
						terms={terms.data}
						tree={taxonomy.tree}
						chosen={chosen}
						ticked={ticked}
						onChoose={choose}
						onTick={(id) =>
							setTicked((now) => {
								const next = new Set(now);
								next.has(id) ? next.delete(id) : next.add(id);
								return next;
							})
						}
						onMove={(id, parent, position) => move.mutate({ id, parent, position })}
					/>
				)}
			</div>
			{chosen !== null && terms.data?.some((one) => one.id === chosen) ? (
				<TermPanel
					key={chosen}
					id={chosen}
					taxonomy={taxonomy}
					onSaved={again}
					onRemoved={async (words, change) => {
						choose(null);
						await again();
						done(words, change);
					}}
				/>
			) : (
				<p className="text-quiet border border-dashed border-[#b9b4a4] rounded-box p-5">
					Choose a term to see and change what it says. Drag one by its name to move it with all below it; the arrows do
					the same.
				</p>
			)}
		</div>
	);
}
