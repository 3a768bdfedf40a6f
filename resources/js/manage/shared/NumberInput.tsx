import { useContext, useEffect, useRef, useState } from "react";
import { Input, NumberField, NumberFieldStateContext } from "react-aria-components";

/** How long typing pauses before the number counts, in milliseconds. */
const PAUSE = 250;

interface NumberInputProps {
	label: string;
	/** null: nothing is given */
	value: number | null;
	onChange: (next: number) => void;
	/** called when the box is emptied; without it, an empty box goes back to the last number */
	onEmpty?: () => void;
	min?: number | undefined;
	max?: number | undefined;
	whole?: boolean;
	/** Of a whole number: it is a multiple of this. */
	step?: number;
	className?: string;
	placeholder?: string;
	/** The place in the definition of the word that it stands for. */
	word?: string | undefined;
	id?: string | undefined;
	isInvalid?: boolean;
	describedBy?: string | undefined;
}

/**
 * A number. One that is out of range is said and not passed on; the number of before stays. A number counts when typing
 * pauses, and when the box is left.
 */
export function NumberInput(props: NumberInputProps) {
	const { label, value, onChange, onEmpty, min, max, whole = false, step = 1, className = "w-24" } = props;
	const [fault, setFault] = useState<string | null>(null);
	/** The number that stood there when the box was entered. */
	const began = useRef(value);
	const current = useRef(value);
	current.current = value;
	const take = (next: number) => {
		if (Number.isNaN(next)) {
			onEmpty?.();
			setFault(null);
			return;
		}
		const why = whyNot(next, min, max, whole ? step : null);
		setFault(why === null ? null : `${next.toLocaleString()} is not possible: ${why}`);
		const kept = why === null ? next : began.current;
		if (kept !== null && kept !== current.current) {
			onChange(kept);
		}
	};
	return (
		<NumberField
			aria-label={label}
			value={value ?? Number.NaN}
			onChange={take}
			commitBehavior="validate"
			isInvalid={fault !== null || (props.isInvalid ?? false)}
			formatOptions={{ useGrouping: false, maximumFractionDigits: whole ? 0 : 20 }}
			{...(props.id ? { id: props.id } : {})}
			{...(props.describedBy ? { "aria-describedby": props.describedBy } : {})}
			className="inline-grid gap-0.5"
		>
			<WhileTyping onPause={take} />
			<Input
				className={`input input-sm ${className}`}
				placeholder={props.placeholder ?? ""}
				data-word={props.word}
				onFocus={() => {
					began.current = value;
				}}
			/>
			{fault && (
				<span role="alert" className="text-[0.8rem] text-error">
					{fault}
				</span>
			)}
		</NumberField>
	);
}

/** Passes on what is typed while the box has the focus, once typing pauses. */
function WhileTyping({ onPause }: { onPause: (next: number) => void }) {
	const state = useContext(NumberFieldStateContext);
	const typed = state?.inputValue ?? "";
	const number = state?.numberValue ?? Number.NaN;
	const first = useRef(typed);
	const pass = useRef(onPause);
	pass.current = onPause;
	useEffect(() => {
		if (typed === first.current || Number.isNaN(number)) {
			return;
		}
		const timer = setTimeout(() => {
			first.current = typed;
			pass.current(number);
		}, PAUSE);
		return () => clearTimeout(timer);
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
