import { GripVertical } from "lucide-react";
import { type ReactNode, type RefObject, useRef } from "react";
import { Button, isTextDropItem, useDrag, useDrop } from "react-aria-components";

interface Dragging {
	/** What kind of thing is dragged, as a MIME type; only places for this kind take it. */
	kind: string;
	/** What the place is given; asked for when dragging begins. */
	value: () => string;
	isDisabled?: boolean;
}

/** Makes an element draggable by mouse; its button starts the same by keyboard: Enter, Tab to a place, Enter. */
export function useDraggable({ kind, value, isDisabled = false }: Dragging) {
	return useDrag({
		isDisabled,
		hasDragButton: true,
		getItems: () => [{ [kind]: value() }],
		getAllowedDropOperations: () => ["move"],
	});
}

/**
 * A grip. The mouse drags the element that it belongs to; the button over it, which the mouse does not reach, starts
 * dragging by keyboard.
 */
export function DragHandle({
	what,
	button,
	className = "",
}: {
	/** What is dragged, for the label. */
	what: string;
	button: ReturnType<typeof useDrag>["dragButtonProps"];
	className?: string;
}) {
	return (
		<span className={`relative grid place-items-center size-6 shrink-0 text-quiet cursor-grab ${className}`}>
			<GripVertical size={14} aria-hidden="true" />
			<Button {...button} aria-label={`Drag ${what}`} className="absolute inset-0 pointer-events-none rounded-field" />
		</span>
	);
}

/** Makes an element a place where things of a kind can be dropped. It must be focusable and have a label. */
export function useDropPlace(
	kind: string,
	ref: RefObject<HTMLElement | null>,
	onDrop: (value: string) => void,
	isDisabled = false,
) {
	return useDrop({
		ref,
		isDisabled,
		getDropOperation: (types) => (types.has(kind) ? "move" : "cancel"),
		onDrop: ({ items }) => {
			const item = items.find((one) => isTextDropItem(one) && one.types.has(kind));
			if (item && isTextDropItem(item)) {
				void item.getText(kind).then(onDrop);
			}
		},
	});
}

/** Something that can be dragged, with its grip before it. */
export function Draggable({
	what,
	className = "",
	children,
	...dragging
}: Dragging & { what: string; className?: string; children: ReactNode }) {
	const { dragProps, dragButtonProps } = useDraggable(dragging);
	return (
		<div {...dragProps} className={`flex items-start ${className}`}>
			<DragHandle what={what} button={dragButtonProps} />
			<div className="flex-1 min-w-0">{children}</div>
		</div>
	);
}

/** A place where things of a kind can be dropped. */
export function DropPlace({
	kind,
	label,
	onDrop,
	className = "",
	children,
}: {
	kind: string;
	label: string;
	onDrop: (value: string) => void;
	className?: string;
	children: ReactNode;
}) {
	const ref = useRef<HTMLFieldSetElement>(null);
	const { dropProps, isDropTarget } = useDropPlace(kind, ref, onDrop);
	return (
		<fieldset
			{...dropProps}
			ref={ref}
			tabIndex={-1}
			aria-label={label}
			className={`min-w-0 ${className} ${isDropTarget ? "outline-2 -outline-offset-2 outline-secondary" : ""}`}
		>
			{children}
		</fieldset>
	);
}
