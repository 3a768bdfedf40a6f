import type { ReactNode } from "react";
import { Control } from "../shared/fields/Control";
import { Labelled } from "../shared/fields/Labelled";
import { TermsControl } from "../shared/fields/TermsControl";
import type { Field } from "../shared/schema";
import type { ItemFormState } from "./useItemForm";

const WIDE = ["longText", "hours", "pictures", "place", "items", "video", "file"];

/** The item itself: its pictures beside title and text, then its fields by section, then its terms. */
export function ItemFields({ state }: { state: ItemFormState }) {
	const { type, values, set, field, props, problems } = state;
	const own = type.fields.filter((one) => one.origin === "type");
	const pictures = own.filter((one) => one.family === "picture");
	const others = own.filter((one) => one.family !== "picture");
	const sections = [...new Set(others.map((one) => one.section))];
	const about = (one: Field) => problems.find((problem) => problem.path === one.key)?.message;
	return (
		<div className="grid gap-6 content-start min-w-0">
			<div className={`grid gap-6 ${pictures.length > 0 ? "@2xl:grid-cols-[minmax(0,17rem)_minmax(0,1fr)]" : ""}`}>
				{pictures.length > 0 && (
					<div className="grid gap-5 content-start min-w-0 max-w-sm">
						{pictures.map((one) => (
							<Control key={one.key} {...props(one)} />
						))}
					</div>
				)}
				<div className="grid gap-4 content-start min-w-0">
					<Control {...props(field("title"))} />
					<Address state={state} />
					<Control {...props(field("text"))} />
				</div>
			</div>
			{sections.map((section) => (
				<Row key={section} title={section || type.label} id={`section-${section}`}>
					<div className="grid grid-cols-1 @md:grid-cols-2 @3xl:grid-cols-3 gap-x-5 gap-y-4">
						{others
							.filter((one) => one.section === section)
							.map((one) => (
								<div key={one.key} className={`min-w-0 ${WIDE.includes(one.family) ? "col-span-full" : ""}`}>
									<Control {...props(one)} />
								</div>
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

/** The item's address on the site, of which the slug can be typed. */
function Address({ state: { type, values, set, problems } }: { state: ItemFormState }) {
	const problem = problems.find((one) => one.path === "slug")?.message;
	const [before, after] = type.address.split("{slug}");
	return (
		<Labelled label="Slug" id="field-slug" problem={problem} hint="Made from the title when left empty.">
			<div className="flex items-center gap-1.5">
				<span className="text-quiet shrink-0">{before}</span>
				<input
					id="field-slug"
					type="text"
					className="input input-sm flex-1 min-w-0"
					aria-invalid={problem !== undefined}
					aria-describedby={`field-slug-hint${problem ? " field-slug-problem" : ""}`}
					value={typeof values.slug === "string" ? values.slug : ""}
					onChange={(event) => set("slug", event.target.value || null)}
				/>
				{after && <span className="text-quiet shrink-0">{after}</span>}
			</div>
		</Labelled>
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
			className="grid @2xl:grid-cols-[8.5rem_minmax(0,1fr)] gap-x-5 gap-y-2 border-t border-base-300 pt-4 min-w-0"
		>
			<h3 className="font-serif text-[1.05rem] font-semibold">{title}</h3>
			<div className="min-w-0">
				{children}
				{problem && <p className="text-[0.85rem] text-error font-medium pt-1">{problem}</p>}
			</div>
		</section>
	);
}
