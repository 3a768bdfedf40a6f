import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { Link, useNavigate } from "react-router";
import { ApiError, get, type Problem, send } from "../shared/api";
import { useDone } from "../shared/Done";
import { AudienceControl } from "../shared/fields/AudienceControl";
import { Control } from "../shared/fields/Control";
import { Labelled } from "../shared/fields/Labelled";
import { Notice } from "../shared/Notice";
import { moment, useStart } from "../shared/start";
import type { ContentType, Field, Item, Media, Values } from "../shared/types";
import { Conflict, type Stale } from "./Conflict";
import { History } from "./History";
import { ShownIn } from "./ShownIn";
import { useDraft } from "./useDraft";

export interface Begun {
	values: Values;
	draft: Item["draft"];
}

/**
 * What an item's form stands beside: the words of the way back to it, and what it does when the item is another
 * now.
 */
export interface Beside {
	words: string;
	onClose: () => void;
	onChanged: () => void;
}

/** The form of one item, or of a new one: on a screen of its own, or beside what it was opened from. */
export function ItemForm({
	type,
	item,
	begun,
	beside,
}: {
	type: ContentType;
	item: Item | null;
	begun: Begun | Item;
	beside?: Beside;
}) {
	const start = useStart();
	const client = useQueryClient();
	const go = useNavigate();
	const done = useDone();
	const [saved, setSaved] = useState(item);
	// What is typed was typed over this one: a draft may be older than what others saved since.
	const [revision, setRevision] = useState(begun.draft?.revision ?? item?.revision ?? 0);
	const [values, setValues] = useState<Values>({ ...begun.values, ...(begun.draft?.values ?? {}) });
	const [files, setFiles] = useState<Record<string, Media>>(item?.files ?? {});
	const [problems, setProblems] = useState<Problem[]>([]);
	const [stale, setStale] = useState<{ about: Stale; now: Values } | null>(null);
	const [history, setHistory] = useState(false);
	const [hadDraft, setHadDraft] = useState(begun.draft != null);
	const form = useRef<HTMLFormElement>(null);
	const began = saved?.values ?? begun.values;
	const changed = JSON.stringify(plain(values)) !== JSON.stringify(plain(began));
	const draft = useDraft(type.key, saved, revision, values, changed);
	useEffect(() => {
		if (!beside) {
			document.title = `${saved?.title ?? `New ${type.label.toLowerCase()}`} · Wellspring`;
		}
	}, [saved, type.label, beside]);

	const take = (now: Item) => {
		draft.drop();
		setSaved({ ...now, draft: null });
		setRevision(now.revision);
		setValues(now.values);
		setFiles((all) => ({ ...all, ...now.files }));
		setProblems([]);
		setStale(null);
		setHadDraft(false);
		for (const key of ["items", "shown", "views"]) {
			void client.invalidateQueries({ queryKey: [key] });
		}
		beside?.onChanged();
	};
	const save = useMutation({
		mutationFn: async ({ of, revision: over }: { of: Values; revision: number }) => {
			await draft.settled();
			const { created_at: _, updated_at: __, ...sent } = of;
			return saved
				? send<Item>("PUT", `/items/${saved.id}`, { values: sent, revision: over })
				: send<Item>("POST", "/items", { type: type.key, values: sent });
		},
		onSuccess: (now) => {
			take(now);
			if (!saved) {
				void go(`/content/${type.key}/${now.id}`, { replace: true });
			}
		},
		onError: async (error) => {
			draft.keep();
			if (error instanceof ApiError && error.status === 409 && saved) {
				const now = await get<Item>(`/items/${saved.id}`);
				setStale({ about: error.body as unknown as Stale, now: now.values });
				return;
			}
			setProblems(error instanceof ApiError ? error.problems : []);
			setTimeout(() => form.current?.querySelector<HTMLElement>("[aria-invalid=true]")?.focus());
		},
	});
	const remove = useMutation({
		mutationFn: async () => {
			await draft.settled();
			return send<{ change: number }>("DELETE", `/items/${saved?.id}`, { revision: saved?.revision });
		},
		onError: () => draft.keep(),
		onSuccess: ({ change }) => {
			draft.drop();
			void client.invalidateQueries({ queryKey: ["items"] });
			done(`“${saved?.title}” is removed.`, change);
			if (beside) {
				beside.onChanged();
				beside.onClose();
			} else {
				void go(`/content/${type.key}`);
			}
		},
	});
	const discard = useMutation({
		mutationFn: async () => {
			await draft.settled();
			return send("DELETE", "/items/draft", { type: type.key, id: saved?.id ?? null });
		},
		onError: () => draft.keep(),
		onSuccess: () => {
			draft.drop();
			setValues(began);
			setRevision(saved?.revision ?? 0);
			setHadDraft(false);
			setProblems([]);
			save.reset();
		},
	});
	const submit = (event?: FormEvent) => {
		event?.preventDefault();
		if (!save.isPending && (saved === null || changed)) {
			save.mutate({ of: values, revision });
		}
	};
	// Wherever the focus is: who asks to save means this form.
	useEffect(() => {
		const onKey = (event: KeyboardEvent) => {
			if ((event.ctrlKey || event.metaKey) && event.key === "s") {
				event.preventDefault();
				form.current?.requestSubmit();
			}
		};
		window.addEventListener("keydown", onKey);
		return () => window.removeEventListener("keydown", onKey);
	}, []);
	const set = (key: string, value: unknown) => setValues((now) => ({ ...now, [key]: value }));
	const field = (key: string) => type.fields.find((one) => one.key === key) as Field;
	const props = (one: Field) => ({
		field: one,
		value: values[one.key],
		problem: problems.find((problem) => problem.path === one.key)?.message,
		onChange: (value: unknown) => set(one.key, value),
		files,
		linked: saved?.linked[one.key] ?? [],
		onFiles: (taken: Media[]) =>
			setFiles((all) => ({ ...all, ...Object.fromEntries(taken.map((one) => [one.name, one])) })),
	});
	const own = type.fields.filter((one) => one.origin === "type");
	const Heading = beside ? "h2" : "h1";
	const sections = [...new Set(own.filter((one) => one.family !== "picture").map((one) => one.section))];

	return (
		<form ref={form} onSubmit={submit} noValidate className="@container">
			<div className="sticky top-0 z-10 flex flex-wrap items-center gap-x-3 gap-y-1.5 px-4 md:px-6 py-2 min-h-13 bg-base-100 border-b border-base-300">
				{beside ? (
					<button type="button" className="text-quiet hover:underline cursor-pointer" onClick={beside.onClose}>
						<span aria-hidden="true">‹</span> {beside.words}
					</button>
				) : (
					<Link to={`/content/${type.key}`} className="text-quiet hover:underline">
						{type.plural} <span aria-hidden="true">›</span>
					</Link>
				)}
				<Heading className="font-serif text-xl font-semibold">
					{saved?.title ?? `New ${type.label.toLowerCase()}`}
				</Heading>
				<span className="flex-1" />
				<span className="text-quiet" role="status">
					{draft.problem
						? `Your draft is not kept: ${draft.problem}`
						: changed
							? draft.keptAt
								? `Draft kept ${moment(start, draft.keptAt)}`
								: "Not saved yet"
							: saved
								? `Saved ${moment(start, saved.updatedAt)}`
								: ""}
				</span>
				{saved && (
					<>
						<button type="button" className="hover:underline cursor-pointer" onClick={() => setHistory(true)}>
							History
						</button>
						{saved.status === "published" && (
							<a className="hover:underline" href={saved.address} target="_blank" rel="noreferrer">
								View on site
							</a>
						)}
						<button
							type="button"
							className="hover:underline cursor-pointer"
							disabled={remove.isPending}
							onClick={() => remove.mutate()}
						>
							Remove
						</button>
					</>
				)}
				{changed && saved && (
					<button type="button" className="btn btn-sm btn-ghost h-9" onClick={() => discard.mutate()}>
						Drop the changes
					</button>
				)}
				<button
					type="submit"
					className="btn btn-secondary btn-sm h-9 px-4"
					disabled={save.isPending || (saved !== null && !changed)}
				>
					Save
				</button>
			</div>
			<div className="px-4 md:px-6 pt-4 max-w-6xl mx-auto grid gap-3 empty:hidden">
				{hadDraft && changed && (
					<Notice tone="calm">
						This is your draft of {moment(start, begun.draft?.keptAt ?? "")}; it is not saved yet.{" "}
						<button type="button" className="underline cursor-pointer font-semibold" onClick={() => discard.mutate()}>
							Drop it
						</button>
					</Notice>
				)}
				{draft.left && (
					<Notice tone="calm">
						This browser still has what you typed on {moment(start, draft.left.at)}; it did not reach the server.{" "}
						<button
							type="button"
							className="underline cursor-pointer font-semibold"
							onClick={() => {
								setValues({ ...begun.values, ...draft.left?.state });
								setRevision(draft.left?.revision ?? revision);
								draft.dropLeft();
							}}
						>
							Bring it back
						</button>{" "}
						or{" "}
						<button type="button" className="underline cursor-pointer font-semibold" onClick={draft.dropLeft}>
							drop it
						</button>
						.
					</Notice>
				)}
				{save.error && !stale && (
					<Notice>
						{problems.length > 0
							? `Not saved: ${problems.length === 1 ? "one field needs" : `${problems.length} fields need`} another look. What you typed is still here.`
							: save.error.message}
						{problems
							.filter((problem) => !type.fields.some((one) => one.key === problem.path))
							.map((problem) => (
								<p key={problem.path}>
									{problem.path}: {problem.message}
								</p>
							))}
					</Notice>
				)}
				{remove.error && <Notice>{remove.error.message}</Notice>}
			</div>
			<div className="w-full max-w-6xl mx-auto px-4 md:px-6 py-6 grid @4xl:grid-cols-[minmax(0,1fr)_20rem] gap-8">
				<div className="grid gap-5 content-start min-w-0">
					<Control {...props(field("title"))} />
					<Control {...props(field("slug"))} hint="In the address. Made from the title when left empty." />
					<Control {...props(field("text"))} />
					{sections.map((section) => (
						<fieldset key={section} className="grid gap-5 @xl:grid-cols-2 border-t border-base-300 pt-4 min-w-0">
							<legend className={section ? "font-serif text-lg font-semibold pr-3" : "sr-only"}>
								{section || type.label}
							</legend>
							{own
								.filter((one) => one.section === section && one.family !== "picture")
								.map((one) => (
									<div
										key={one.key}
										className={
											["longText", "hours", "pictures", "place"].includes(one.family)
												? "@xl:col-span-2 min-w-0"
												: "min-w-0"
										}
									>
										<Control {...props(one)} />
									</div>
								))}
						</fieldset>
					))}
				</div>
				<div className="grid gap-5 content-start min-w-0">
					<Labelled label="State" id="status">
						<select
							id="status"
							className="select w-full"
							value={String(values.status ?? "published")}
							onChange={(event) => set("status", event.target.value)}
						>
							<option value="published">published</option>
							<option value="draft">draft</option>
						</select>
					</Labelled>
					<Control
						{...props(field("publish_at"))}
						hint={`Visitors see it from then on (${start.site.timeZone}). Now, when left empty.`}
					/>
					<Control {...props(field("expire_at"))} hint="Visitors no longer see it from then on." />
					<AudienceControl value={values.audience} onChange={(keys) => set("audience", keys)} />
					<label className="flex items-start gap-2 cursor-pointer">
						<input
							type="checkbox"
							className="checkbox checkbox-sm mt-0.5"
							checked={values.lead === true}
							onChange={() => set("lead", values.lead !== true)}
						/>
						<span>
							<span className="font-semibold">Lead</span>
							<span className="block text-[0.82rem] text-quiet">Modules can put leads first.</span>
						</span>
					</label>
					{start.user.role === "manager" && (
						<Labelled label="Author" id="author" problem={problems.find((one) => one.path === "author")?.message}>
							<select
								id="author"
								className="select w-full"
								value={String(values.author ?? "")}
								onChange={(event) => set("author", event.target.value || null)}
							>
								<option value="">{saved ? "nobody" : `${start.user.name} (you)`}</option>
								{start.people.map((one) => (
									<option key={one.email} value={one.email}>
										{one.name}
									</option>
								))}
							</select>
						</Labelled>
					)}
					{saved && <ShownIn item={saved} />}
					{own
						.filter((one) => one.family === "picture")
						.map((one) => (
							<Control key={one.key} {...props(one)} />
						))}
					{type.fields
						.filter((one) => one.family === "terms")
						.map((one) => (
							<Control key={one.key} {...props(one)} />
						))}
				</div>
			</div>
			{history && saved && (
				<History
					item={saved}
					onClose={() => setHistory(false)}
					onBack={(now) => {
						take(now);
						setHistory(false);
						done("Restored. The state before it is kept, too.");
					}}
				/>
			)}
			{stale && (
				<Conflict
					stale={stale.about}
					now={stale.now}
					onClose={() => setStale(null)}
					onDecide={(of, revision) => save.mutate({ of, revision })}
				/>
			)}
		</form>
	);
}

/** The values that a person can have changed, in one order, without what is empty. */
function plain(values: Values): [string, unknown][] {
	return Object.entries(values)
		.filter(
			([key, value]) =>
				!["created_at", "updated_at"].includes(key) &&
				value !== null &&
				value !== undefined &&
				!(key === "lead" && value === false) &&
				!(Array.isArray(value) && value.length === 0),
		)
		.sort(([a], [b]) => (a < b ? -1 : 1));
}
