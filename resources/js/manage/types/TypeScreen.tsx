import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { ApiError, del, finished, get, post, put } from "../shared/api/api";
import type { FormDraft, Problem, TypeEffect, TypeFile, Types } from "../shared/api/schema";
import { useStart } from "../shared/api/start";
import { useDone } from "../shared/Done";
import { FormNotices } from "../shared/drafts/FormNotices";
import { useKeptForm } from "../shared/drafts/useKeptForm";
import { Opening } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { ProblemLine } from "../shared/ProblemLine";
import { Sheet } from "../shared/Sheet";
import { useTitle } from "../shared/shell/useTitle";
import { FieldList } from "./FieldList";
import { type FieldRow, fileOf, renamedOf, rowsOf, withOwnIds } from "./typeFile";

/**
 * One content type: its labels, its address, its taxonomies and its fields. The effects of a change are shown before it
 * is applied.
 */
export function TypeScreen() {
	const { key = "" } = useParams();
	const type = useQuery({
		queryKey: ["type", key],
		queryFn: ({ signal }) => get("/types/{key}", { params: { path: { key } }, signal }),
		refetchOnWindowFocus: false,
		gcTime: 0,
	});
	// The form restarts after a save, but not after a mere reload, because somebody may be typing.
	const [round, setRound] = useState(0);
	const client = useQueryClient();
	const kinds = useQuery({ queryKey: ["types"], queryFn: ({ signal }) => get("/types", { signal }) });
	return type.data && kinds.data ? (
		<TypeForm
			key={`${key}-${round}`}
			saved={type.data}
			kinds={kinds.data.kinds}
			onSaved={async () => {
				await client.invalidateQueries();
				setRound((now) => now + 1);
			}}
		/>
	) : (
		<Opening queries={[type, kinds]} />
	);
}

interface SavedType {
	file: TypeFile;
	items: number;
	revision: number;
	draft: FormDraft | null;
}

interface TypeValues {
	about: Omit<TypeFile, "properties" | "required">;
	rows: FieldRow[];
}

function TypeForm({
	saved,
	kinds,
	onSaved,
}: {
	saved: SavedType;
	kinds: Types["kinds"];
	onSaved: () => Promise<unknown>;
}) {
	const { file, items } = saved;
	const { taxonomies } = useStart();
	const client = useQueryClient();
	const go = useNavigate();
	const done = useDone();
	const [began] = useState<TypeValues>(() => {
		const { properties: _, required: __, ...about } = file;
		return { about, rows: rowsOf(file) };
	});
	const form = useKeptForm<TypeValues>(
		`type:${file["x-wellspring"].key}`,
		{ values: began, revision: saved.revision, draft: saved.draft },
		({ about, rows }) =>
			JSON.stringify(fileOf(about, rows)) !== JSON.stringify(file) || Object.keys(renamedOf(rows)).length > 0,
		(draft) => (draft.rows ? { ...draft, rows: withOwnIds(draft.rows) } : draft),
	);
	const { about, rows } = form.values;
	const setAbout = (about: TypeValues["about"]) => form.set({ about });
	const setRows = (rows: FieldRow[]) => form.set({ rows });
	const [effects, setEffects] = useState<TypeEffect[] | null>(null);
	const [problems, setProblems] = useState<Problem[]>([]);
	const [removing, setRemoving] = useState(false);
	const own = about["x-wellspring"];
	const now = fileOf(about, rows);
	const { changed } = form;
	const fail = (error: Error) => {
		setEffects(null);
		if (form.failed(error)) {
			return;
		}
		setProblems(
			error instanceof ApiError && error.problems.length > 0
				? error.problems
				: [{ path: "", code: "failed", message: error.message }],
		);
	};
	const sent = { file: now, renamed: renamedOf(rows) };
	const save = useMutation({
		mutationFn: async (revision: number) => {
			await form.settled();
			return finished(put("/types", { body: { ...sent, withLoss: true, revision } }));
		},
		onSuccess: async ({ change }) => {
			await form.forget();
			setEffects(null);
			setProblems([]);
			done(`${own.plural} changed.`, change);
			await onSaved();
		},
		onError: fail,
	});
	const look = useMutation({
		mutationFn: () => post("/types/effects", { body: sent }),
		onSuccess: (answer) => {
			setProblems([]);
			answer.effects.length === 0 ? save.mutate(form.revision) : setEffects(answer.effects);
		},
		onError: fail,
	});
	const remove = useMutation({
		mutationFn: () => del("/types/{key}", { params: { path: { key: own.key } } }),
		onSuccess: async () => {
			await client.invalidateQueries();
			void go("/types");
		},
		onError: (error) => {
			setRemoving(false);
			fail(error);
		},
	});

	useTitle(own.plural);

	return (
		<div>
			<div className="form-bar gap-3 px-4 md:px-6 py-2">
				<Link to="/types" className="text-quiet hover:underline">
					Types <span aria-hidden="true">›</span>
				</Link>
				<h1 className="font-serif text-xl font-semibold">{own.plural}</h1>
				<Link to={`/content/${own.key}`} className="text-quiet hover:underline">
					{items.toLocaleString()} {items === 1 ? "item" : "items"}
				</Link>
				<span className="flex-1" />
				<a href={`/manage/api/types/${own.key}/file`} className="hover:underline">
					As a file
				</a>
				<button type="button" className="btn btn-sm btn-ghost h-9" onClick={() => setRemoving(true)}>
					Remove the type
				</button>
				<button
					type="button"
					className="btn btn-secondary btn-sm h-9 px-4"
					disabled={!changed || look.isPending || save.isPending}
					onClick={() => look.mutate()}
				>
					{save.isPending ? "Saving…" : look.isPending ? "Checking…" : "Save"}
				</button>
			</div>
			<div className="w-full max-w-6xl mx-auto px-4 md:px-6 py-6 grid gap-6">
				<FormNotices form={form} onSave={(revision) => save.mutate(revision)} onDropped={() => void onSaved()} />
				{problems.length > 0 && (
					<Notice>
						<p>Not saved; everything you changed is still here.</p>
						{problems.map((one) => (
							<ProblemLine key={one.path + one.message} problem={one} />
						))}
					</Notice>
				)}
				<section className="grid gap-4 sm:grid-cols-2 lg:grid-cols-[1fr_1fr_1.4fr]" aria-label="Words">
					<label className="grid gap-1 content-start">
						<span className="font-semibold">Singular name</span>
						<input
							className="input w-full"
							value={about.title}
							onChange={(event) => setAbout({ ...about, title: event.target.value })}
						/>
					</label>
					<label className="grid gap-1 content-start">
						<span className="font-semibold">Plural name</span>
						<input
							className="input w-full"
							value={own.plural}
							onChange={(event) => setAbout({ ...about, "x-wellspring": { ...own, plural: event.target.value } })}
						/>
					</label>
					<label className="grid gap-1 content-start">
						<span className="font-semibold">Address of each one’s own page</span>
						<input
							className="input w-full"
							value={own.address}
							onChange={(event) => setAbout({ ...about, "x-wellspring": { ...own, address: event.target.value } })}
						/>
						<span className="text-xs text-quiet">Ends in /{"{slug}"}.</span>
					</label>
					<fieldset className="sm:col-span-2 lg:col-span-3">
						<legend className="font-semibold mb-1">Taxonomies its items have terms of</legend>
						<div className="flex flex-wrap gap-x-5 gap-y-1">
							{taxonomies.map((one) => (
								<label key={one.key} className="flex items-center gap-2 cursor-pointer">
									<input
										type="checkbox"
										className="checkbox checkbox-xs"
										checked={own.taxonomies.includes(one.key)}
										onChange={() =>
											setAbout({
												...about,
												"x-wellspring": {
													...own,
													taxonomies: own.taxonomies.includes(one.key)
														? own.taxonomies.filter((key) => key !== one.key)
														: [...own.taxonomies, one.key],
												},
											})
										}
									/>
									{one.label}
								</label>
							))}
							{taxonomies.length === 0 && <span className="text-quiet">There are none yet; see Terms.</span>}
						</div>
					</fieldset>
				</section>
				<section className="grid gap-3" aria-label="Fields">
					<h2 className="font-serif text-2xl font-semibold">Fields</h2>
					<p className="text-quiet -mt-2">Every item has a title, a slug, a text and its dates. These come beside.</p>
					<FieldList rows={rows} kinds={kinds} problems={problems} onChange={setRows} />
				</section>
			</div>
			{effects && (
				<Sheet title="What this change does" onClose={() => setEffects(null)}>
					<ul className="grid gap-2">
						{effects.map((one) => (
							<li
								key={one.message}
								className={`px-4 py-2.5 rounded-field ${one.loses ? "bg-warning text-warning-content" : "bg-base-200"}`}
							>
								{one.message}
							</li>
						))}
					</ul>
					<p className="text-quiet">You can undo the change as a whole; what was removed returns.</p>
					<div className="flex gap-3">
						<button
							type="button"
							className="btn btn-secondary"
							disabled={save.isPending}
							onClick={() => save.mutate(form.revision)}
						>
							{save.isPending ? "Changing…" : "Apply"}
						</button>
						<button type="button" className="btn btn-ghost" onClick={() => setEffects(null)}>
							Not yet
						</button>
					</div>
				</Sheet>
			)}
			{removing && (
				<Sheet title={`Remove the type ${own.plural}?`} onClose={() => setRemoving(false)}>
					<p>
						Only a type without items, that no module draws from, can be removed. Its definition can be kept as a file
						first.
					</p>
					<button type="button" className="btn btn-error justify-self-start" onClick={() => remove.mutate()}>
						Remove it
					</button>
				</Sheet>
			)}
		</div>
	);
}
