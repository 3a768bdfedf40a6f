import type { ReactNode } from "react";
import type { Field } from "../../shared/api/schema";
import { Control } from "../../shared/fields/Control";
import { Labelled } from "../../shared/fields/Labelled";
import { TermsControl } from "../../shared/fields/TermsControl";
import { FieldInPlace } from "../FieldInPlace";
import { InPlace } from "../InPlace";
import type { ItemFormState } from "./useItemForm";
import { useShown } from "./useShown";

/** The form of an item: its pictures beside title and text, then its values in sections, then its terms. */
export function ItemFields({ state }: { state: ItemFormState }) {
	const { type, saved, values, set, field, props, problems } = state;
	const shown = useShown(saved);
	const own = type.fields.filter((one) => one.origin === "type");
	const pictures = own.filter((one) => ["picture", "pictures"].includes(one.family));
	const others = own.filter((one) => !pictures.includes(one));
	const sections = [...new Set(others.map((one) => one.section))];
	const about = (one: Field) => problems.find((problem) => problem.path === one.key)?.message;
	/** What modules do when the field is empty. */
	const gap = (one: Field) => {
		const found = shown.data?.flatMap((at) => at.gaps.filter((other) => other.field === one.key)) ?? [];
		return found.length === 0 ? undefined : [...new Set(found.map((other) => other.then))].join("; ");
	};
	return (
		<div className="grid gap-5 content-start min-w-0">
			<div className={`grid gap-6 ${pictures.length > 0 ? "@2xl:grid-cols-[minmax(0,17rem)_minmax(0,1fr)]" : ""}`}>
				{pictures.length > 0 && (
					<div className="grid gap-4 content-start min-w-0 max-w-sm">
						{pictures.map((one) => (
							<Control key={one.key} {...props(one)} />
						))}
					</div>
				)}
				<div className="grid gap-3 content-start min-w-0">
					<Title state={state} />
					<Address state={state} />
					<div className="text-in-place">
						<Control {...props(field("text"))} />
					</div>
				</div>
			</div>
			{sections.map((section) => (
				<Row key={section} title={section || type.label} id={`section-${section}`}>
					<div className="flex flex-wrap items-baseline gap-x-6 gap-y-2.5">
						{others
							.filter((one) => one.section === section)
							.map((one) => (
								<FieldInPlace key={one.key} props={props(one)} gap={gap(one)} />
							))}
					</div>
				</Row>
			))}
			{type.fields
				.filter((one) => one.family === "terms")
				.map((one) => (
					<Row key={one.key} title={one.label} id={`field-${one.key}`} problem={about(one)}>
						<TermsControl field={one} value={values[one.key]} onChange={(value) => set(one.key, value)} />
					</Row>
				))}
		</div>
	);
}

function Title({ state: { values, set, field, problems } }: { state: ItemFormState }) {
	const problem = problems.find((one) => one.path === "title")?.message;
	return (
		<div className="grid gap-1">
			<label htmlFor="field-title" className="sr-only">
				Title (needed)
			</label>
			<input
				id="field-title"
				type="text"
				className="item-title"
				placeholder="Title"
				maxLength={field("title").limits.maxLength}
				aria-invalid={problem !== undefined}
				aria-describedby={problem ? "field-title-problem" : undefined}
				value={typeof values.title === "string" ? values.title : ""}
				onChange={(event) => set("title", event.target.value || null)}
			/>
			{problem && (
				<p id="field-title-problem" className="text-sm text-error font-medium">
					{problem}
				</p>
			)}
		</div>
	);
}

/** The item's address on the site, whose slug opens in place. */
function Address({ state: { type, values, set, problems } }: { state: ItemFormState }) {
	const problem = problems.find((one) => one.path === "slug")?.message;
	const [before, after] = type.address.split("{slug}");
	const slug = typeof values.slug === "string" ? values.slug : "";
	return (
		<div className="flex flex-wrap items-baseline gap-0.5 min-w-0">
			<span className="text-quiet shrink-0">{before}</span>
			<InPlace
				id="value-slug"
				label="Slug"
				hiddenLabel
				words={slug || <span className="font-normal">made from the title</span>}
				value={values.slug}
				onChange={(value) => set("slug", value)}
				problem={problem}
			>
				<Labelled label="Slug" id="field-slug" problem={problem} hint="Made from the title when left empty." hidden>
					<input
						id="field-slug"
						type="text"
						className="input input-sm w-72 max-w-full"
						aria-invalid={problem !== undefined}
						aria-describedby={`field-slug-hint${problem ? " field-slug-problem" : ""}`}
						value={slug}
						onChange={(event) => set("slug", event.target.value || null)}
					/>
				</Labelled>
			</InPlace>
			{after && <span className="text-quiet shrink-0">{after}</span>}
		</div>
	);
}

/** A row of the form under its title. */
function Row({
	title,
	id,
	problem,
	children,
}: {
	title: string;
	id: string;
	problem?: string | undefined;
	children: ReactNode;
}) {
	return (
		<section
			id={id}
			aria-label={title}
			data-invalid={problem !== undefined}
			tabIndex={-1}
			className="grid @2xl:grid-cols-[8.5rem_minmax(0,1fr)] gap-x-5 gap-y-2 border-t border-base-300 pt-3.5 min-w-0"
		>
			<h3 className="font-serif text-lg font-semibold">{title}</h3>
			<div className="min-w-0">
				{children}
				{problem && <p className="text-sm text-error font-medium pt-1">{problem}</p>}
			</div>
		</section>
	);
}
