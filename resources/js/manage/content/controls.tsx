import { useMutation } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { send } from "../shared/api";
import { useStart } from "../shared/start";
import type { Field, Picture } from "../shared/types";

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

export function Labelled({
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
export function Control({ field, value, problem, onChange, hint }: ControlProps) {
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

export function PictureControl({
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
