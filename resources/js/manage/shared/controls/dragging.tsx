import { GripVertical } from "lucide-react";
import { type ReactNode, type RefObject, useRef } from "react";
import { Button, isTextDropItem, useDrag, useDrop } from "react-aria-components";

interface Dragging {
	/** The kind of dragged thing as a MIME type. Only places for this kind accept it. */
	kind: string;
	/** The text that the place receives; it is read when dragging begins. */
	value: () => string;
	isDisabled?: boolean;
}

/** Makes an element draggable by mouse. Its button does the same by keyboard: Enter, Tab to a place, Enter. */
export function useDraggable({ kind, value, isDisabled = false }: Dragging) {
	return useDrag({
		isDisabled,
		hasDragButton: true,
		getItems: () => [{ [kind]: value() }],
		getAllowedDropOperations: () => ["move"],
	});
}

/**
 * A grip. The mouse drags the surrounding element; the button over the grip, which ignores the mouse, starts dragging
 * by keyboard.
 */
export function DragHandle({
	what,
	button,
	className = "",
}: {
	/** The name of the dragged thing, for the label. */
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

/** Makes an element a place that accepts a kind of dragged things. It must be focusable and have a label. */
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

/** A draggable element with a grip at its start. */
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

/** An element that accepts a kind of dragged things. */
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
