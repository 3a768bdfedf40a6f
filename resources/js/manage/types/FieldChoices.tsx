import { useRef } from "react";
import type { FieldSchema } from "../shared/api/schema";
import { choiceKeyFrom, choicesOf, withChoices } from "./typeFile";

/**
 * The choices of a field. A new choice gets its key from its label. Existing keys stay, because values contain them.
 */
export function Choices({
	schema,
	isNew,
	onChange,
}: {
	schema: FieldSchema;
	/** True for a new field, so that no value contains its keys yet. */
	isNew: boolean;
	onChange: (schema: FieldSchema) => void;
}) {
	const choices = choicesOf(schema);
	const held = useRef(isNew ? [] : choices.map((one) => one.key));
	const setLabel = (at: number, label: string) => {
		const now = choices[at];
		const follows = now && !held.current.includes(now.key) && now.key === choiceKeyFrom(now.label);
		set(at, { label, ...(follows ? { key: choiceKeyFrom(label) } : {}) });
	};
	const set = (at: number, change: Partial<(typeof choices)[number]>) =>
		onChange(
			withChoices(
				schema,
				choices.map((one, i) => (i === at ? { ...one, ...change } : one)),
			),
		);
	return (
		<fieldset className="col-span-full grid gap-2">
			<legend className="font-semibold mb-1">Choices, in the order in which they sort</legend>
			<div className="flex gap-2 text-xs text-quiet" aria-hidden="true">
				<span className="w-48">Label</span>
				<span className="w-40">Key, in files and imports</span>
				<span>Colour</span>
			</div>
			{choices.map((one, i) => (
				<div key={`choice-${i.toString()}`} className="flex flex-wrap gap-2 items-center">
					<input
						className="input input-sm w-48"
						aria-label={`Label of choice ${i + 1}`}
						// biome-ignore lint/a11y/noAutofocus: the person has just added the choice
						autoFocus={i > 0 && one.label === "" && one.key === ""}
						placeholder={one.key || "Label"}
						value={one.label}
						onChange={(event) => setLabel(i, event.target.value)}
					/>
					<input
						className="input input-sm w-40 font-mono"
						aria-label={`Key of choice ${i + 1}`}
						placeholder="key"
						value={one.key}
						onChange={(event) => set(i, { key: event.target.value })}
					/>
					<input
						type="color"
						className="w-9 h-8 p-0.5 rounded-field border border-[#8b9a9c] bg-base-100"
						aria-label={`Colour of choice ${i + 1}`}
						value={one.colour || "#e2ded2"}
						onChange={(event) => set(i, { colour: event.target.value })}
					/>
					<button
						type="button"
						className="btn btn-xs btn-ghost"
						aria-label={`Move choice ${i + 1} up`}
						disabled={i === 0}
						onClick={() => {
							const next = [...choices];
							next.splice(i - 1, 0, ...next.splice(i, 1));
							onChange(withChoices(schema, next));
						}}
					>
						↑
					</button>
					<button
						type="button"
						className="btn btn-xs btn-ghost"
						aria-label={`Remove choice ${i + 1}`}
						disabled={choices.length === 1}
						onClick={() =>
							onChange(
								withChoices(
									schema,
									choices.filter((_, at) => at !== i),
								),
							)
						}
					>
						×
					</button>
				</div>
			))}
			<button
				type="button"
				className="plain-add justify-self-start"
				onClick={() => onChange(withChoices(schema, [...choices, { key: "", label: "", colour: "" }]))}
			>
				+ a choice
			</button>
		</fieldset>
	);
}
