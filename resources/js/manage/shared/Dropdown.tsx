import type { Ref } from "react";
import { Dialog, type DialogProps, Popover, type PopoverProps } from "react-aria-components";

/** A popover, placed beside its button. */
export function Paper({ className = "", ...props }: Omit<PopoverProps, "className"> & { className?: string }) {
	return (
		<Popover
			{...props}
			className={`bg-base-100 border border-base-300 rounded-box shadow-lg max-w-[92vw] max-h-[75vh]
				overflow-y-auto ${className}`}
		/>
	);
}

/** The popover of a button; it comes after the button inside a `DialogTrigger`. */
export function Dropdown({
	label,
	width = "w-72",
	gap = "gap-3",
	ref,
	children,
	...props
}: {
	label: string;
	width?: string;
	/** Gap between its children. */
	gap?: string;
	ref?: Ref<HTMLElement>;
	children: DialogProps["children"];
} & Pick<PopoverProps, "placement" | "isNonModal">) {
	return (
		<Paper {...props} className={`p-4 ${width}`}>
			<Dialog ref={ref} className={`outline-none grid ${gap}`} aria-label={label}>
				{children}
			</Dialog>
		</Paper>
	);
}
