import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { ApiError, del, get, put } from "../shared/api/api";
import type { Field, Media, Problem, TaxonomyRow, Term } from "../shared/api/schema";
import { FormNotices } from "../shared/drafts/FormNotices";
import { useKeptForm } from "../shared/drafts/useKeptForm";
import { Opening } from "../shared/Fault";
import { ColourControl, Control } from "../shared/fields/Control";
import { Labelled } from "../shared/fields/Labelled";
import { MediaControl } from "../shared/fields/MediaControl";
import { RichText } from "../shared/fields/RichText";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import { asField } from "./asField";

/** The form of one term: its texts, its picture and colour, and the fields of its taxonomy. */
export function TermPanel({
	id,
	taxonomy,
	onSaved,
	onRemoved,
}: {
	id: number;
	taxonomy: TaxonomyRow;
	onSaved: () => Promise<unknown>;
	onRemoved: (words: string, change: number) => void;
}) {
	const term = useQuery({
		queryKey: ["term", id],
		queryFn: ({ signal }) => get("/terms/{id}", { params: { path: { id } }, signal }),
		gcTime: 0,
		refetchOnWindowFocus: false,
	});
	// The form restarts after a save, but not after a mere reload, because somebody may be typing.
	const [round, setRound] = useState(0);
	return term.data ? (
		<Form
			key={round}
			term={term.data}
			taxonomy={taxonomy}
			onSaved={async () => {
				await onSaved();
				await term.refetch();
				setRound((now) => now + 1);
			}}
			onRemoved={onRemoved}
		/>
	) : (
		<Opening queries={[term]} />
	);
}

type TermValues = Pick<Term, "slug" | "name" | "description" | "picture" | "colour" | "fields">;

function valuesOf({ slug, name, description, picture, colour, fields }: TermValues): TermValues {
	return { slug, name, description, picture, colour, fields };
}

function Form({
	term,
	taxonomy,
	onSaved,
	onRemoved,
}: {
	term: Term;
	taxonomy: TaxonomyRow;
	onSaved: () => Promise<unknown>;
	onRemoved: (words: string, change: number) => void;
}) {
	const form = useKeptForm<TermValues>(
		`term:${term.id}`,
		{ values: valuesOf(term), revision: term.revision, draft: term.draft },
		(values) => JSON.stringify(valuesOf(values)) !== JSON.stringify(valuesOf(term)),
	);
	const { values, set } = form;
	const [files, setFiles] = useState<Record<string, Media>>({});
	const [removing, setRemoving] = useState(false);
	const save = useMutation({
		mutationFn: async (revision: number) => {
			await form.settled();
			return put("/terms/{id}", {
				params: { path: { id: term.id } },
				body: {
					term: { ...values, description: values.description || null },
					revision,
				},
			});
		},
		onSuccess: async () => {
			await form.forget();
			await onSaved();
		},
		onError: form.failed,
	});
	const remove = useMutation({
		mutationFn: () => del("/terms/{id}", { params: { path: { id: term.id } } }),
		onSuccess: ({ change }) => onRemoved(`“${term.name}” is removed.`, change),
	});
	const problems: Problem[] = save.error instanceof ApiError ? save.error.problems : [];
	const problem = (path: string) => problems.find((one) => one.path === path)?.message;
	const own = Object.entries(taxonomy.file.properties ?? {}).map(([key, schema]) =>
		asField(key, schema, taxonomy.file.required?.includes(key) ?? false),
	);
	const text = (key: "name" | "slug", label: string, hint?: string) => (
		<Labelled label={label} id={`term-${key}`} hint={hint} problem={problem(key)}>
			<input
				id={`term-${key}`}
				className="input w-full"
				value={values[key]}
				onChange={(event) => set({ [key]: event.target.value })}
			/>
		</Labelled>
	);
	return (
		<section aria-label={term.name} className="bg-base-100 border border-base-300 rounded-box p-5 grid gap-4 min-w-0">
			<FormNotices form={form} onSave={(revision) => save.mutate(revision)} onDropped={() => void onSaved()} />
			{save.error && form.stale === null && problems.length === 0 && <Notice>{save.error.message}</Notice>}
			{text("name", "Name")}
			{text("slug", "Slug", "In addresses and files. Modules, pages and menus that name it follow a new one.")}
			<Labelled label="Description" id="term-description" problem={problem("description")} group>
				<RichText
					id="term-description"
					label="Description"
					value={values.description}
					onChange={(next) => set({ description: next ?? "" })}
				/>
			</Labelled>
			<Labelled label="Picture" id="term-picture" problem={problem("picture")} group>
				{values.picture && !files[values.picture] && term.pictureUrl && (
					<img src={term.pictureUrl} alt="" className="w-full rounded-field border border-base-300" />
				)}
				<MediaControl
					id="term-picture"
					field={{ key: "picture", label: "Picture", family: "picture", limits: {} } as Field}
					value={values.picture}
					files={files}
					onFiles={(taken) =>
						setFiles((now) => ({ ...now, ...Object.fromEntries(taken.map((one) => [one.name, one])) }))
					}
					onChange={(next) => set({ picture: typeof next === "string" ? next : null })}
				/>
			</Labelled>
			<Labelled label="Colour" id="term-colour" problem={problem("colour")}>
				<ColourControl
					aria={{ id: "term-colour" }}
					value={values.colour ?? ""}
					onChange={(next) => set({ colour: next })}
				/>
			</Labelled>
			{own.map((field) => (
				<Control
					key={field.key}
					field={field}
					value={values.fields[field.key]}
					problem={problem(`fields.${field.key}`)}
					files={files}
					onFiles={(taken) =>
						setFiles((now) => ({ ...now, ...Object.fromEntries(taken.map((one) => [one.name, one])) }))
					}
					onChange={(value) => set({ fields: { ...values.fields, [field.key]: value } })}
				/>
			))}
			<div className="flex flex-wrap gap-3 border-t border-base-300 pt-4">
				<button
					type="button"
					className="btn btn-secondary"
					disabled={!form.changed || save.isPending}
					onClick={() => save.mutate(form.revision)}
				>
					Save
				</button>
				<button type="button" className="btn btn-ghost" onClick={() => setRemoving(true)}>
					Remove
				</button>
				<span role="status" className="self-center text-quiet">
					{form.changed ? (form.draft.keptAt ? "Kept as a draft" : "") : save.isSuccess ? "Saved." : ""}
				</span>
			</div>
			{removing && (
				<Sheet title={`Remove “${term.name}”?`} onClose={() => setRemoving(false)}>
					<ul className="grid gap-1.5 list-disc pl-5">
						<li>
							{term.items === 0
								? "No item has it."
								: term.items === 1
									? "One item loses it."
									: `${term.items.toLocaleString()} items lose it.`}
						</li>
						{term.below > 0 && (
							<li>{term.below === 1 ? "The term" : `The ${term.below} terms`} below it move up to where it stands.</li>
						)}
						{term.modules.length > 0 && (
							<li>
								Named in {term.modules.length === 1 ? "the module" : "the modules"} {term.modules.join(", ")}; that
								condition keeps nothing for it any more.
							</li>
						)}
					</ul>
					<p className="text-quiet">You can undo this.</p>
					{remove.error && <Notice>{remove.error.message}</Notice>}
					<button
						type="button"
						className="btn btn-error justify-self-start"
						disabled={remove.isPending}
						onClick={() => remove.mutate()}
					>
						Remove it
					</button>
				</Sheet>
			)}
		</section>
	);
}
