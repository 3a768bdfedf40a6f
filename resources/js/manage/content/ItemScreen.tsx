import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { Link, useBlocker, useNavigate, useParams } from "react-router";
import { ApiError, get, type Problem, send } from "../shared/api";
import { Notice } from "../shared/Notice";
import { moment, useStart } from "../shared/start";
import type { ContentType, Field, Item, Picture } from "../shared/types";
import { Control, Labelled, PictureControl } from "./controls";

/** The form of one item, or of a new one. */
export function ItemScreen() {
	const start = useStart();
	const { type: key = "", id } = useParams();
	const type = start.types.find((one) => one.key === key);
	const item = useQuery({
		queryKey: ["item", id],
		queryFn: () => get<Item>(`/items/${id}`),
		enabled: id !== undefined,
		staleTime: 0,
		gcTime: 0,
		refetchOnWindowFocus: false,
	});
	if (!type || item.error) {
		return (
			<div className="p-6">
				<Notice>{item.error?.message ?? `There is no content type “${key}”.`}</Notice>
			</div>
		);
	}
	if (id === undefined) {
		return <Form key="new" type={type} item={null} />;
	}
	return item.data ? <Form key={id} type={type} item={item.data} /> : <p className="p-6 text-quiet">Opening…</p>;
}

type Values = Record<string, unknown>;

const NEW: Values = { status: "published" };

/** Asks before what was typed and not saved is left behind. */
function useUnsaved(unsaved: boolean) {
	const blocker = useBlocker(
		({ currentLocation, nextLocation }) =>
			unsaved && currentLocation.pathname !== nextLocation.pathname && !nextLocation.state?.saved,
	);
	useEffect(() => {
		if (blocker.state === "blocked") {
			window.confirm("What you typed is not saved. Leave it behind?") ? blocker.proceed() : blocker.reset();
		}
	}, [blocker]);
	useEffect(() => {
		if (!unsaved) {
			return;
		}
		const ask = (event: BeforeUnloadEvent) => event.preventDefault();
		window.addEventListener("beforeunload", ask);
		return () => window.removeEventListener("beforeunload", ask);
	}, [unsaved]);
}

function Form({ type, item }: { type: ContentType; item: Item | null }) {
	const start = useStart();
	const client = useQueryClient();
	const go = useNavigate();
	const [saved, setSaved] = useState(item);
	const [values, setValues] = useState<Values>(item?.values ?? NEW);
	const [pictures, setPictures] = useState<Record<string, Picture | null>>(item?.pictures ?? {});
	const [problems, setProblems] = useState<Problem[]>([]);
	const form = useRef<HTMLFormElement>(null);
	useEffect(() => {
		document.title = `${item?.title ?? `New ${type.label.toLowerCase()}`} · Wellspring`;
	}, [item, type.label]);

	const save = useMutation({
		mutationFn: () => {
			const { created_at: _, updated_at: __, ...sent } = values;
			return saved
				? send<Item>("PUT", `/items/${saved.id}`, { values: sent, revision: saved.revision })
				: send<Item>("POST", "/items", { type: type.key, values: sent });
		},
		onSuccess: (now) => {
			setSaved(now);
			setValues(now.values);
			setPictures(now.pictures);
			setProblems([]);
			void client.invalidateQueries({ queryKey: ["items"] });
			if (!saved) {
				void go(`/content/${type.key}/${now.id}`, { replace: true, state: { saved: true } });
			}
		},
		onError: (error) => {
			setProblems(error instanceof ApiError ? error.problems : []);
			setTimeout(() => form.current?.querySelector<HTMLElement>("[aria-invalid=true]")?.focus());
		},
	});
	const submit = (event?: FormEvent) => {
		event?.preventDefault();
		save.mutate();
	};
	const set = (key: string, value: unknown) => setValues((now) => ({ ...now, [key]: value }));
	const field = (key: string) => type.fields.find((one) => one.key === key) as Field;
	const props = (one: Field) => ({
		field: one,
		value: values[one.key],
		problem: problems.find((problem) => problem.path === one.key)?.message,
		onChange: (value: unknown) => set(one.key, value),
	});
	const own = type.fields.filter((one) => one.origin === "type");
	const began = saved?.values ?? NEW;
	const changed = saved === null || JSON.stringify(values) !== JSON.stringify(began);
	useUnsaved(JSON.stringify(values) !== JSON.stringify(began));

	return (
		<form
			ref={form}
			onSubmit={submit}
			noValidate
			onKeyDown={(event) => {
				if ((event.ctrlKey || event.metaKey) && event.key === "s") {
					submit(event);
				}
			}}
		>
			<div className="sticky top-0 z-10 flex flex-wrap items-center gap-3 px-4 md:px-6 py-2 min-h-13 bg-base-100 border-b border-base-300">
				<Link to={`/content/${type.key}`} className="text-quiet hover:underline">
					{type.plural} <span aria-hidden="true">›</span>
				</Link>
				<h1 className="font-serif text-xl font-semibold">{saved?.title ?? `New ${type.label.toLowerCase()}`}</h1>
				<span className="flex-1" />
				{saved && (
					<>
						<span className="text-quiet" role="status">
							{changed ? "Not saved yet" : `Saved ${moment(start, saved.updatedAt)}`}
						</span>
						{saved.status === "published" && (
							<a className="hover:underline" href={saved.address} target="_blank" rel="noreferrer">
								View on site
							</a>
						)}
					</>
				)}
				<button type="submit" className="btn btn-secondary btn-sm h-9 px-4" disabled={save.isPending || !changed}>
					Save
				</button>
			</div>
			{save.error && (
				<div className="px-4 md:px-6 pt-4 max-w-6xl mx-auto">
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
				</div>
			)}
			<div className="w-full max-w-6xl mx-auto px-4 md:px-6 py-6 grid lg:grid-cols-[minmax(0,1fr)_20rem] gap-8">
				<div className="grid gap-5 content-start">
					<Control {...props(field("title"))} />
					<Control {...props(field("slug"))} hint="In the address. Made from the title when left empty." />
					<Control {...props(field("text"))} hint="HTML; anything unsafe is taken out when it is saved." />
					<fieldset className="grid gap-5 sm:grid-cols-2 border-t border-base-300 pt-5">
						<legend className="sr-only">{type.label}</legend>
						{own
							.filter((one) => one.family !== "picture")
							.map((one) => (
								<Control key={one.key} {...props(one)} />
							))}
					</fieldset>
				</div>
				<div className="grid gap-5 content-start">
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
					<Control {...props(field("publish_at"))} hint="Visitors see it from then on. Now, when left empty." />
					<Control {...props(field("expire_at"))} />
					{own
						.filter((one) => one.family === "picture")
						.map((one) => (
							<PictureControl
								key={one.key}
								{...props(one)}
								picture={pictures[String(values[one.key] ?? "")] ?? null}
								onUpload={(picture) => {
									setPictures((now) => ({ ...now, [picture.name]: picture }));
									set(one.key, picture.name);
								}}
							/>
						))}
					{type.fields
						.filter((one) => one.family === "terms")
						.map((one) => (
							<Control key={one.key} {...props(one)} />
						))}
				</div>
			</div>
		</form>
	);
}
