import { useContext, useLayoutEffect, useRef, useState } from "react";
import { Input, NumberField, NumberFieldStateContext } from "react-aria-components";

interface NumberInputProps {
	label: string;
	/** null: no number */
	value: number | null;
	onChange: (next: number) => void;
	/** called when the box is emptied; without it, an empty box returns to the last number */
	onEmpty?: () => void;
	min?: number | undefined;
	max?: number | undefined;
	whole?: boolean;
	/** Step: a whole number must be a multiple of it. */
	step?: number;
	className?: string;
	placeholder?: string;
	/** The place of its word in the definition. */
	word?: string | undefined;
	id?: string | undefined;
	isInvalid?: boolean;
	describedBy?: string | undefined;
}

/**
 * A number box that reports each valid number while a person types. A number out of range shows an error; then the
 * number from before the focus counts.
 */
export function NumberInput(props: NumberInputProps) {
	const { label, value, onChange, onEmpty, min, max, whole = false, step = 1, className = "w-24" } = props;
	const [fault, setFault] = useState<string | null>(null);
	/** The number when the box got the focus. */
	const began = useRef(value);
	const current = useRef(value);
	current.current = value;
	/** While the box has the focus, its text is not overwritten by updates. */
	const [entered, setEntered] = useState<number | null | undefined>(undefined);
	const take = (next: number): number | null => {
		if (Number.isNaN(next)) {
			onEmpty?.();
			setFault(null);
			return onEmpty ? null : current.current;
		}
		const why = whyNot(next, min, max, whole ? step : null);
		setFault(why === null ? null : `${next.toLocaleString()} is not possible: ${why}`);
		const kept = why === null ? next : began.current;
		if (kept !== null && kept !== current.current) {
			onChange(kept);
		}
		return kept;
	};
	const shown = entered === undefined ? value : entered;
	return (
		<NumberField
			aria-label={label}
			value={shown ?? Number.NaN}
			onChange={(next) => {
				const kept = take(next);
				setEntered((now) => (now === undefined ? now : kept));
			}}
			commitBehavior="validate"
			isInvalid={fault !== null || (props.isInvalid ?? false)}
			formatOptions={{ useGrouping: false, maximumFractionDigits: whole ? 0 : 20 }}
			{...(props.id ? { id: props.id } : {})}
			{...(props.describedBy ? { "aria-describedby": props.describedBy } : {})}
			className="inline-grid gap-0.5"
		>
			<WhileTyping onTyped={take} />
			<Input
				className={`input input-sm ${className}`}
				placeholder={props.placeholder ?? ""}
				data-word={props.word}
				data-number
				onFocus={() => {
					began.current = value;
					setEntered(value);
				}}
				onBlur={() => setEntered(undefined)}
			/>
			{fault && (
				<span role="alert" className="text-xs text-error">
					{fault}
				</span>
			)}
		</NumberField>
	);
}

/** Reports the number at once, without waiting for the box to lose the focus. */
function WhileTyping({ onTyped }: { onTyped: (next: number) => void }) {
	const state = useContext(NumberFieldStateContext);
	const typed = state?.inputValue ?? "";
	const number = state?.numberValue ?? Number.NaN;
	const last = useRef(typed);
	const pass = useRef(onTyped);
	pass.current = onTyped;
	// Before the next key event: Enter saves the complete number.
	useLayoutEffect(() => {
		if (typed !== last.current) {
			last.current = typed;
			if (typed === "" || !Number.isNaN(number)) {
				pass.current(typed === "" ? Number.NaN : number);
			}
		}
	}, [typed, number]);
	return null;
}

function whyNot(next: number, min: number | undefined, max: number | undefined, step: number | null): string | null {
	if (min !== undefined && max !== undefined && (next < min || next > max)) {
		return `${min.toLocaleString()} to ${max.toLocaleString()}.`;
	}
	if (min !== undefined && next < min) {
		return `at least ${min.toLocaleString()}.`;
	}
	if (max !== undefined && next > max) {
		return `at most ${max.toLocaleString()}.`;
	}
	return step !== null && !Number.isInteger(next / step)
		? step === 1
			? "whole numbers only."
			: `a multiple of ${step}.`
		: null;
}
