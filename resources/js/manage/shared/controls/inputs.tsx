import { useEffect, useState } from "react";

/** A required text; an empty one is not saved. */
export function TextInput({
	label,
	value,
	onChange,
	className = "w-full max-w-64",
}: {
	label: string;
	value: string;
	onChange: (next: string) => void;
	className?: string;
}) {
	const [typed, setTyped] = useState(value);
	useEffect(() => setTyped((now) => (now.trim() === value ? now : value)), [value]);
	return (
		<input
			type="text"
			className={`input input-sm ${className}`}
			aria-label={label}
			value={typed}
			onChange={(event) => {
				setTyped(event.target.value);
				if (event.target.value.trim() !== "") {
					onChange(event.target.value.trim());
				}
			}}
			onBlur={() => setTyped(value)}
		/>
	);
}

/** Buttons that move a list's member up or down, or remove it. */
export function RowTools({
	what,
	index,
	count,
	onMove,
	onRemove,
}: {
	what: string;
	index: number;
	count: number;
	onMove: (to: number) => void;
	onRemove?: (() => void) | undefined;
}) {
	return (
		<span className="flex">
			<button
				type="button"
				className="btn btn-ghost btn-xs"
				aria-label={`Move ${what} up`}
				disabled={index === 0}
				onClick={() => onMove(index - 1)}
			>
				↑
			</button>
			<button
				type="button"
				className="btn btn-ghost btn-xs"
				aria-label={`Move ${what} down`}
				disabled={index === count - 1}
				onClick={() => onMove(index + 1)}
			>
				↓
			</button>
			{onRemove && (
				<button type="button" className="btn btn-ghost btn-xs" aria-label={`Remove ${what}`} onClick={onRemove}>
					✕
				</button>
			)}
		</span>
	);
}

/** Adds an entry from a menu without a default. It is hidden if there is nothing to add. */
export function AddByChoice({
	label,
	options,
	word,
	onPick,
}: {
	/** With its plus sign, such as “+ a part here”. */
	label: string;
	options: { key: string; label: string }[];
	word?: string;
	onPick: (key: string) => void;
}) {
	return options.length === 0 ? null : (
		<select
			className="select select-sm w-auto max-w-48 text-primary font-semibold justify-self-start"
			aria-label={label.replace("+ ", "Add ")}
			data-word={word}
			value=""
			onChange={(event) => onPick(event.target.value)}
		>
			<option value="" disabled>
				{label}
			</option>
			{options.map((one) => (
				<option key={one.key} value={one.key}>
					{one.label}
				</option>
			))}
		</select>
	);
}
