import { useContext, useEffect, useId, useRef, useState } from "react";
import { OverlayTriggerStateContext } from "react-aria-components";

/**
 * A line of text in a popover. It is saved when the box loses the focus, also by Escape and by closing the popover;
 * Enter closes it. An invalid text shows an error and is not saved.
 */
export function KeptText({
	label,
	value,
	onTake,
	placeholder,
	hint,
	check,
}: {
	label: string;
	value: string;
	onTake: (next: string) => void;
	placeholder?: string;
	hint?: string;
	/** returns why a text is invalid; null for a valid one */
	check?: (next: string) => Promise<string | null> | string | null;
}) {
	const [typed, setTyped] = useState(value);
	const [fault, setFault] = useState<string | null>(null);
	const popover = useContext(OverlayTriggerStateContext);
	const id = useId();
	const now = useRef({ typed, value, fault, onTake });
	now.current = { typed, value, fault, onTake };
	const take = () => {
		const next = now.current.typed.trim();
		if (next !== now.current.value && now.current.fault === null) {
			now.current.onTake(next);
		}
	};
	const leave = useRef(take);
	leave.current = take;
	useEffect(() => () => leave.current(), []);
	useEffect(() => {
		let isOld = false;
		const next = typed.trim();
		const timer = setTimeout(async () => {
			const why = next === value ? null : ((await check?.(next)) ?? null);
			if (!isOld) {
				setFault(why);
			}
		}, 150);
		return () => {
			isOld = true;
			clearTimeout(timer);
		};
	}, [typed, value, check]);
	return (
		<label className="grid gap-1">
			<span className="font-semibold">{label}</span>
			<input
				className="input input-sm"
				placeholder={placeholder}
				value={typed}
				aria-invalid={fault !== null}
				aria-describedby={`${id}-said`}
				onChange={(event) => setTyped(event.target.value)}
				onBlur={take}
				onKeyDown={(event) => {
					if (event.key === "Enter") {
						event.preventDefault();
						take();
						fault === null && popover?.close();
					}
				}}
			/>
			<span id={`${id}-said`} role="status" className={`text-xs ${fault ? "text-error" : "text-quiet"}`}>
				{fault ?? hint ?? ""}
			</span>
		</label>
	);
}
