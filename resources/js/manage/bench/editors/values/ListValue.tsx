import { useState } from "react";
import type { Condition, Field, Options } from "../../../shared/api/schema";
import { useStart } from "../../../shared/api/start";
import { useRuleName } from "../ruleName";

interface Props {
	field: Field;
	condition: Condition;
	wants: boolean;
	options: Options | undefined;
	onPick: (value: unknown, extra?: Partial<Condition>) => void;
}

function chosen(condition: Condition, wants: boolean): string[] {
	return wants && Array.isArray(condition.value) ? (condition.value as string[]) : [];
}

/** The list with one more or one less value; the last one stays, because a rule needs a value. */
function toggled(list: string[], one: string): string[] | null {
	const next = list.includes(one) ? list.filter((other) => other !== one) : [...list, one];
	return next.length === 0 ? null : next;
}

/** Choices as chips, each with its number of records. */
export function Chips({
	field,
	condition,
	wants,
	options,
	onPick,
	choices,
}: Props & { choices: { key: string; label: string }[] }) {
	const on = chosen(condition, wants);
	return (
		<fieldset className="flex flex-wrap gap-1.5">
			<legend className="sr-only">{field.label}</legend>
			{choices.map((choice) => (
				<button
					key={choice.key}
					type="button"
					className="chip"
					aria-pressed={on.includes(choice.key)}
					onClick={() => {
						const next = toggled(on, choice.key);
						if (next) {
							onPick(next);
						}
					}}
				>
					{choice.label} <span className="opacity-75">{options?.choices[choice.key] ?? 0}</span>
				</button>
			))}
			{choices.length === 0 && <span className="text-quiet">Nothing to choose from yet.</span>}
		</fieldset>
	);
}

/** Other records or people, found by typing if there are many. */
export function Linked(props: Props) {
	const { condition, wants, options } = props;
	const [words, setWords] = useState("");
	const on = chosen(condition, wants);
	const all = Object.keys(options?.choices ?? {});
	const named = [...new Set([...on, ...all])].map((key) => ({
		key,
		label: options?.labels[key] ?? key.slice(key.indexOf("/") + 1),
	}));
	const shown = named.filter(
		(one) => on.includes(one.key) || one.label.toLowerCase().includes(words.trim().toLowerCase()),
	);
	return (
		<div className="grid gap-2">
			{named.length > 10 && (
				<input
					type="search"
					className="input input-sm w-56"
					placeholder="Find by name"
					aria-label={`Find: ${props.field.label}`}
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
			)}
			<Chips {...props} choices={shown.slice(0, 24)} />
		</div>
	);
}

/** A list of texts. */
export function Texts({ field, condition, wants, options, onPick }: Props) {
	const named = useRuleName();
	const [typed, setTyped] = useState("");
	const on = chosen(condition, wants);
	const offered = Object.keys(options?.choices ?? {}).filter((one) => !on.includes(one));
	const add = (text: string) => {
		if (text.trim() !== "" && !on.includes(text.trim())) {
			onPick([...on, text.trim()]);
		}
		setTyped("");
	};
	return (
		<div className="grid gap-2">
			<Chips
				field={field}
				condition={condition}
				wants={wants}
				options={options}
				onPick={onPick}
				choices={[...on, ...offered].map((one) => ({ key: one, label: one }))}
			/>
			<span className="flex gap-2">
				<input
					className="input input-sm w-52"
					aria-label={named("another text")}
					placeholder="Another text"
					value={typed}
					onChange={(event) => setTyped(event.target.value)}
					onKeyDown={(event) => {
						if (event.key === "Enter") {
							event.preventDefault();
							add(typed);
						}
					}}
				/>
				<button type="button" className="btn btn-sm" disabled={typed.trim() === ""} onClick={() => add(typed)}>
					Add
				</button>
			</span>
		</div>
	);
}

/** Terms of a taxonomy in their tree. */
export function TermList({ field, condition, wants, options, onPick }: Props) {
	const taxonomy = useStart().taxonomies.find((one) => one.key === field.taxonomy);
	const [words, setWords] = useState("");
	const on = chosen(condition, wants);
	const isBegun = wants && condition.value !== undefined;
	const below = isBegun ? (condition.below ?? false) : (taxonomy?.tree ?? false);
	const terms = taxonomy?.terms ?? [];
	const wanted = words.trim().toLowerCase();
	const shown = wanted === "" ? terms : terms.filter((term) => term.name.toLowerCase().includes(wanted));
	return (
		<div className="grid gap-2">
			{terms.length > 12 && (
				<input
					type="search"
					className="input input-sm w-56"
					placeholder="Find a term"
					aria-label={`Find a term of ${field.label}`}
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
			)}
			<ul
				className="max-h-56 overflow-y-auto border border-base-300 rounded-field p-1.5 relative"
				aria-label={field.label}
			>
				{shown.slice(0, 300).map((term) => (
					<li key={term.slug} style={{ paddingLeft: `${wanted === "" ? term.depth * 1.25 : 0}rem` }}>
						<label className="flex items-center gap-2 py-0.5 cursor-pointer">
							<input
								type="checkbox"
								className="checkbox checkbox-xs"
								checked={on.includes(term.slug)}
								onChange={() => {
									const next = toggled(on, term.slug);
									if (next) {
										onPick(next, below ? { below: true } : {});
									}
								}}
							/>
							<span className="flex-1">{term.name}</span>
							<span className="text-quiet">{options?.choices[term.slug] ?? 0}</span>
						</label>
					</li>
				))}
			</ul>
			{taxonomy?.tree && (
				<label className="flex items-center gap-2 cursor-pointer">
					<input
						type="checkbox"
						className="toggle toggle-sm"
						checked={below}
						disabled={on.length === 0}
						onChange={(event) => onPick(on, event.target.checked ? { below: true } : {})}
					/>
					and all below
				</label>
			)}
		</div>
	);
}
