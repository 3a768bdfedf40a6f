import { type KeyboardEvent, useRef } from "react";
import { DragHandle, useDraggable, useDropPlace } from "../controls/dragging";

/** The position of a part: its line, and its position in that line. */
export type Place = [line: number, part: number];

/** The kind of a dragged part. */
export const PART = "application/x-wellspring-part";

/** The place that a dragged part came from. */
export function placeOf(dropped: string): Place {
	const [line = 0, part = 0] = dropped.split(".").map(Number);
	return [line, part];
}

/** One part of a card: a button that opens its options, a grip, and a place to drop another part before it. */
export function PartChip({
	at,
	label,
	shows,
	isOpen,
	onOpen,
	onKeyDown,
	onDrop,
}: {
	at: Place;
	label: string;
	/** The part's value on the first card. */
	shows: string | undefined;
	isOpen: boolean;
	onOpen: () => void;
	onKeyDown: (event: KeyboardEvent) => void;
	onDrop: (from: Place) => void;
}) {
	const chip = useRef<HTMLFieldSetElement>(null);
	const { dragProps, dragButtonProps } = useDraggable({ kind: PART, value: () => at.join(".") });
	const { dropProps, isDropTarget } = useDropPlace(PART, chip, (dropped) => onDrop(placeOf(dropped)));
	const tone = isDropTarget
		? "border-secondary bg-accent"
		: isOpen
			? "border-primary bg-accent"
			: "border-base-300 bg-base-200";
	return (
		<fieldset
			{...dragProps}
			{...dropProps}
			ref={chip}
			tabIndex={-1}
			aria-label={`Before ${label}`}
			data-part={at.join(".")}
			className={`inline-flex items-center rounded-field border ${tone}`}
		>
			<DragHandle what={label} button={dragButtonProps} />
			<button
				type="button"
				data-handle
				aria-expanded={isOpen}
				title="Alt and an arrow key move it"
				className="py-1 pr-2 cursor-pointer text-left"
				onClick={onOpen}
				onKeyDown={onKeyDown}
			>
				<span className="font-semibold">{label}</span>
				{shows && (
					<span className="ml-1.5 text-quiet text-sm">{shows.length > 26 ? `${shows.slice(0, 25)}…` : shows}</span>
				)}
			</button>
		</fieldset>
	);
}
