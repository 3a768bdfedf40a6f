import { useEffect, useRef, useState } from "react";
import type { Condition } from "../../../shared/api/schema";
import { fieldOf } from "../../../shared/api/start";
import { isUnfinished, newCondition } from "../../definition";
import { useSource } from "../../source";
import { FieldPicker } from "../../stream/FieldPicker";
import type { Bench } from "../../useBench";
import { ConditionEditor } from "./ConditionEditor";

/**
 * Adds a condition: first the field, then the value. The condition joins the definition when it has a value; a typed
 * value is added on Enter, by the button, or when it loses the focus.
 */
export function NewCondition({
	bench,
	before,
	label = "Add a condition",
	placeholder,
	onAdd,
	className,
}: {
	bench: Bench;
	before: string;
	label?: string;
	placeholder: string;
	onAdd: (condition: Condition) => void;
	className?: string;
}) {
	const source = useSource();
	const [begun, setBegun] = useState<Condition | null>(null);
	// The latest condition, for Enter: a number box reports its value in the same key press.
	const latest = useRef<Condition | null>(null);
	const put = (next: Condition | null) => {
		latest.current = next;
		setBegun(next);
	};
	const add = () => {
		const made = latest.current;
		if (made && !isUnfinished(made, fieldOf(source, made.field))) {
			put(null);
			onAdd(made);
		}
	};
	const box = useRef<HTMLDivElement>(null);
	const isOpen = begun !== null;
	// Only when it opens: a later render must not move the focus.
	useEffect(() => {
		if (isOpen) {
			box.current?.querySelector<HTMLElement>("select, input:not([role=combobox])")?.focus();
		}
	}, [isOpen]);
	if (begun === null) {
		return (
			<FieldPicker
				label={label}
				placeholder={placeholder}
				className={className ?? "w-56"}
				onPick={(key) => {
					const field = fieldOf(source, key);
					if (field) {
						put(newCondition(field));
						if (field.usual.isComplete) {
							add();
						}
					}
				}}
			/>
		);
	}
	return (
		// biome-ignore lint/a11y/noStaticElementInteractions: Enter in a field within adds, as the button does
		<div
			className="basis-full rounded-field border border-primary bg-base-100 p-3 grid gap-2"
			data-new-condition
			ref={box}
			// In the capture phase, because number boxes stop Enter.
			onKeyDownCapture={(event) => {
				if (event.key === "Enter" && (event.target as Element).matches("[data-number]")) {
					event.preventDefault();
					add();
				}
			}}
			onKeyDown={(event) => {
				if (event.key === "Escape") {
					event.stopPropagation();
					put(null);
				} else if (
					event.key === "Enter" &&
					(event.target as Element).matches("input:not([role=combobox], [data-number])")
				) {
					add();
				}
			}}
			onBlur={(event) => {
				const to = event.relatedTarget as Element | null;
				if (to && !event.currentTarget.contains(to) && !to.closest("[role=listbox], [role=dialog]")) {
					add();
				}
			}}
		>
			<ConditionEditor
				condition={begun}
				bench={bench}
				before={before}
				tag="new condition"
				isNew
				onChange={(next, typing) => {
					put(next);
					if (!typing) {
						add();
					}
				}}
			/>
			<div className="flex gap-3">
				<button
					type="button"
					className="btn btn-primary btn-sm"
					disabled={isUnfinished(begun, fieldOf(source, begun.field))}
					onClick={add}
				>
					Add the rule
				</button>
				<button type="button" className="btn btn-ghost btn-sm" onClick={() => put(null)}>
					Cancel
				</button>
			</div>
		</div>
	);
}
