import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, type ReactNode, useEffect, useRef, useState } from "react";
import { Link, useBlocker, useNavigate, useParams } from "react-router";
import { ApiError, get, type Problem, send } from "../shared/api";
import { Notice } from "../shared/Notice";
import { moment, useStart } from "../shared/start";
import type { ContentType, Field, Item, Picture } from "../shared/types";

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

/** A moment for the browser's own control, in its time zone, and back. */
function toLocal(value: unknown): string {
	if (typeof value !== "string") {
		return "";
	}
	const at = new Date(value);
	return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

function fromLocal(value: string): string | null {
	return value === "" ? null : new Date(value).toISOString().replace(/\.\d+Z$/, "Z");
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

function Labelled({
	label,
	id,
	hint,
	problem,
	required = false,
	children,
}: {
	label: string;
	id: string;
	hint?: string | undefined;
	problem?: string | undefined;
	required?: boolean;
	children: ReactNode;
}) {
	return (
		<div className="grid gap-1 content-start">
			<label htmlFor={id} className="font-semibold">
				{label}
				{required && <span className="text-quiet font-normal"> (needed)</span>}
			</label>
			{children}
			{hint && (
				<p id={`${id}-hint`} className="text-[0.82rem] text-quiet">
					{hint}
				</p>
			)}
			{problem && (
				<p id={`${id}-problem`} className="text-[0.85rem] text-error font-medium">
					{problem}
				</p>
			)}
		</div>
	);
}

interface ControlProps {
	field: Field;
	value: unknown;
	problem: string | undefined;
	onChange: (value: unknown) => void;
	hint?: string;
}

/** The control that suits a field's kind. */
function Control({ field, value, problem, onChange, hint }: ControlProps) {
	const { taxonomies, site } = useStart();
	const id = `field-${field.key}`;
	const help = hint ?? (field.help || undefined);
	const aria = {
		id,
		"aria-invalid": problem !== undefined,
		"aria-describedby": [help && `${id}-hint`, problem && `${id}-problem`].filter(Boolean).join(" ") || undefined,
	};
	const text = typeof value === "string" ? value : "";
	const around = (control: ReactNode, label = field.label) => (
		<Labelled label={label} id={id} hint={help} problem={problem} required={field.required}>
			{control}
		</Labelled>
	);
	switch (field.family) {
		case "longText":
			return around(
				<textarea
					{...aria}
					className="textarea w-full min-h-48 font-mono text-[0.85rem]"
					value={text}
					onChange={(event) => onChange(event.target.value || null)}
				/>,
			);
		case "number":
			return around(
				<input
					{...aria}
					type="number"
					step="any"
					className="input w-full"
					value={typeof value === "number" ? value : ""}
					onChange={(event) => onChange(event.target.value === "" ? null : Number(event.target.value))}
				/>,
				field.kind === "money"
					? `${field.label} (${site.currency})`
					: field.unit
						? `${field.label} (${field.unit})`
						: field.label,
			);
		case "yesNo":
			return around(
				<select
					{...aria}
					className="select w-full"
					value={value === true ? "yes" : value === false ? "no" : ""}
					onChange={(event) => onChange(event.target.value === "" ? null : event.target.value === "yes")}
				>
					<option value="">not said</option>
					<option value="yes">yes</option>
					<option value="no">no</option>
				</select>,
			);
		case "choice":
			return around(
				<select
					{...aria}
					className="select w-full"
					value={text}
					onChange={(event) => onChange(event.target.value || null)}
				>
					<option value="">none</option>
					{field.choices.map((choice) => (
						<option key={choice.key} value={choice.key}>
							{choice.label}
						</option>
					))}
				</select>,
			);
		case "date":
			return around(
				<input
					{...aria}
					type="date"
					className="input w-full"
					value={text}
					onChange={(event) => onChange(event.target.value || null)}
				/>,
			);
		case "instant":
			return around(
				<input
					{...aria}
					type="datetime-local"
					className="input w-full"
					value={toLocal(value)}
					onChange={(event) => onChange(fromLocal(event.target.value))}
				/>,
			);
		case "choices":
		case "terms": {
			const on = Array.isArray(value) ? (value as string[]) : [];
			const options =
				field.family === "choices"
					? field.choices.map((choice) => ({ slug: choice.key, name: choice.label, depth: 0 }))
					: (taxonomies.find((one) => one.key === field.key)?.terms ?? []);
			return (
				<fieldset className="grid gap-1 content-start">
					<legend className="font-semibold">{field.label}</legend>
					<div className="max-h-72 overflow-y-auto border border-[#8b9a9c] rounded-field bg-base-100 p-2">
						{options.map((one) => (
							<label
								key={one.slug}
								className="flex items-center gap-2 py-0.5 cursor-pointer"
								style={{ paddingLeft: `${one.depth * 1.25}rem` }}
							>
								<input
									type="checkbox"
									className="checkbox checkbox-xs"
									checked={on.includes(one.slug)}
									onChange={() =>
										onChange(on.includes(one.slug) ? on.filter((slug) => slug !== one.slug) : [...on, one.slug])
									}
								/>
								{one.name}
							</label>
						))}
					</div>
					{problem && <p className="text-[0.85rem] text-error font-medium">{problem}</p>}
				</fieldset>
			);
		}
		default:
			return around(
				<input
					{...aria}
					type="text"
					className={`input w-full ${field.key === "title" ? "h-12 !text-lg font-serif font-semibold" : ""}`}
					value={text}
					onChange={(event) => onChange(event.target.value || null)}
				/>,
			);
	}
}

function PictureControl({
	field,
	problem,
	onChange,
	picture,
	onUpload,
}: ControlProps & { picture: Picture | null; onUpload: (picture: Picture) => void }) {
	const id = `field-${field.key}`;
	const upload = useMutation({
		mutationFn: (file: File) => {
			const body = new FormData();
			body.set("picture", file);
			return send<Picture>("POST", "/pictures", body);
		},
		onSuccess: onUpload,
	});
	return (
		<Labelled label={field.label} id={id} problem={problem ?? upload.error?.message}>
			{picture ? (
				<div className="grid gap-2">
					<img
						src={picture.url}
						alt={picture.alt}
						width={picture.width}
						height={picture.height}
						className="w-full h-auto rounded-field border border-base-300"
					/>
					<button type="button" className="btn btn-sm justify-self-start" onClick={() => onChange(null)}>
						Take the picture away
					</button>
				</div>
			) : (
				<p className="text-quiet text-[0.85rem]">No picture yet.</p>
			)}
			<input
				id={id}
				type="file"
				accept="image/png,image/jpeg,image/webp,image/gif"
				className="file-input file-input-sm w-full"
				disabled={upload.isPending}
				onChange={(event) => {
					const file = event.target.files?.[0];
					if (file) {
						upload.mutate(file);
					}
				}}
			/>
		</Labelled>
	);
}
