import { useMemo, useState } from "react";
import { useStart } from "../start";
import type { Field } from "../types";

const SHOWN = 150;

/** The terms of a taxonomy, as a tree to tick; found by typing when there are many. */
export function TermsControl({
	field,
	value,
	onChange,
}: {
	field: Field;
	value: unknown;
	onChange: (value: unknown) => void;
}) {
	const { taxonomies } = useStart();
	const [words, setWords] = useState("");
	const terms = taxonomies.find((one) => one.key === field.key)?.terms ?? [];
	const on = useMemo(() => new Set(Array.isArray(value) ? (value as string[]) : []), [value]);
	const wanted = words.trim().toLowerCase();
	const many = terms.length > 12;
	const found = useMemo(
		() =>
			wanted === "" && terms.length > SHOWN
				? terms.filter((one) => on.has(one.slug))
				: terms.filter((one) => wanted === "" || one.name.toLowerCase().includes(wanted)),
		[terms, wanted, on],
	);
	return (
		<div className="grid gap-2">
			{many && (
				<input
					type="search"
					className="input input-sm w-full"
					placeholder={`Find among ${terms.length}`}
					aria-label={`Find ${field.label.toLowerCase()}`}
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
			)}
			<div className="max-h-72 overflow-y-auto border border-[#8b9a9c] rounded-field bg-base-100 p-2" tabIndex={-1}>
				{found.slice(0, SHOWN).map((one) => (
					<label
						key={one.slug}
						className="flex items-center gap-2 py-0.5 cursor-pointer"
						style={{ paddingLeft: wanted === "" ? `${one.depth * 1.25}rem` : 0 }}
					>
						<input
							type="checkbox"
							className="checkbox checkbox-xs"
							checked={on.has(one.slug)}
							onChange={() =>
								onChange(on.has(one.slug) ? [...on].filter((slug) => slug !== one.slug) : [...on, one.slug])
							}
						/>
						{one.name}
					</label>
				))}
				{found.length === 0 && (
					<p className="text-quiet text-[0.85rem]">
						{terms.length === 0
							? "There are no terms yet."
							: wanted === ""
								? "None chosen. Type to find one."
								: "No terms found."}
					</p>
				)}
				{found.length > SHOWN && (
					<p className="text-quiet text-[0.85rem]">{found.length - SHOWN} more; type to narrow.</p>
				)}
			</div>
		</div>
	);
}
