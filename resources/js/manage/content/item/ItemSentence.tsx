import { moment, useStart } from "../../shared/api/start";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { Control } from "../../shared/fields/Control";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { toldApart } from "../../shared/toldApart";
import { Word } from "../../shared/Word";
import type { ItemFormState } from "./useItemForm";

/** The state of the item as a sentence whose words open in place. */
export function ItemSentence({ state: { saved, values, set, field, props, problems } }: { state: ItemFormState }) {
	const start = useStart();
	const problem = (key: string) => problems.find((one) => one.path === key)?.message;
	const day = (key: string, none: string) => {
		const value = values[key];
		return typeof value === "string" && value !== "" ? moment(start, value) : none;
	};
	const audience = Array.isArray(values.audience) ? values.audience : ["everyone"];
	const author = start.people.find((one) => one.email === values.author);
	const nobody = saved ? "nobody" : "you";
	return (
		<div
			className="flex flex-wrap items-center gap-x-1.5 gap-y-1 px-4 md:px-6 py-2.5 bg-base-100 border-b
			border-base-300"
		>
			<Word words={values.status === "draft" ? "Draft" : "Published"} label="State" problem={problem("status")}>
				<fieldset className="grid gap-1.5">
					<legend className="font-semibold mb-1">State</legend>
					{["published", "draft"].map((status) => (
						<label key={status} className="flex items-center gap-2 cursor-pointer">
							<input
								type="radio"
								name="status"
								className="radio radio-sm"
								checked={(values.status ?? "published") === status}
								onChange={() => set("status", status)}
							/>
							{status}
						</label>
					))}
				</fieldset>
			</Word>
			from
			<Word words={day("publish_at", "now on")} label="Publish date" problem={problem("publish_at")}>
				<Control
					{...props(field("publish_at"))}
					problem={undefined}
					hint={`Visitors see it from then on (${start.site.timeZone}). Now, when left empty.`}
				/>
			</Word>
			until
			<Word words={day("expire_at", "further notice")} label="Expiry date" problem={problem("expire_at")}>
				<Control {...props(field("expire_at"))} problem={undefined} hint="Visitors no longer see it from then on." />
			</Word>
			· seen by
			<Word
				words={audience.map((key) => start.audiences.find((one) => one.key === key)?.label ?? String(key)).join(", ")}
				label="Who sees it"
				problem={problem("audience")}
			>
				<AudienceControl value={values.audience} onChange={(keys) => set("audience", keys)} />
			</Word>
			· written by
			{start.user.role === "manager" ? (
				<Word words={author?.name ?? nobody} label="Author" problem={problem("author")}>
					<span className="font-semibold">Author</span>
					<PickByTyping
						label="Author"
						placeholder={nobody}
						options={toldApart(
							start.people.map((one) => ({ key: one.email, label: one.name })),
							(email) => email,
						)}
						value={typeof values.author === "string" ? values.author : null}
						onPick={(email) => set("author", email)}
					/>
				</Word>
			) : (
				<span>{author?.name ?? nobody}</span>
			)}
			·
			<Word words={values.lead === true ? "a lead" : "not a lead"} label="Lead">
				<label className="flex items-start gap-2 cursor-pointer">
					<input
						type="checkbox"
						className="checkbox checkbox-sm mt-0.5"
						checked={values.lead === true}
						onChange={() => set("lead", values.lead !== true)}
					/>
					<span>
						<span className="font-semibold">Lead</span>
						<span className="block text-xs text-quiet">Modules can put leads first.</span>
					</span>
				</label>
			</Word>
		</div>
	);
}
