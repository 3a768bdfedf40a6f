import type { ReactNode } from "react";

/** A control with its label, its help and its problems. */
export function Labelled({
	label,
	id,
	hint,
	problem,
	required = false,
	group = false,
	inline = false,
	hidden = false,
	children,
}: {
	label: string;
	id: string;
	hint?: string | undefined;
	problem?: string | undefined;
	required?: boolean;
	/** True for several controls under one label. */
	group?: boolean;
	/** True if the label is before the control. */
	inline?: boolean;
	/** True if only screen readers get the label. */
	hidden?: boolean;
	children: ReactNode;
}) {
	const needed = required && <span className="text-quiet font-normal"> (needed)</span>;
	const rest = (
		<>
			{hint && (
				<p id={`${id}-hint`} className="text-xs text-quiet">
					{hint}
				</p>
			)}
			{problem && (
				<p id={`${id}-problem`} className="text-sm text-error font-medium">
					{problem}
				</p>
			)}
		</>
	);
	const said = hidden ? "sr-only" : inline ? "text-quiet shrink-0" : "font-semibold";
	return group ? (
		<fieldset id={id} aria-invalid={problem !== undefined} tabIndex={-1} className="grid gap-1 content-start min-w-0">
			<legend className={`${said} mb-1`}>
				{label}
				{needed}
			</legend>
			{children}
			{rest}
		</fieldset>
	) : (
		<div className="grid gap-1 content-start min-w-0">
			<div className={inline ? "flex items-center gap-2" : "contents"}>
				<label htmlFor={id} className={said}>
					{label}
					{needed}
				</label>
				{children}
			</div>
			{rest}
		</div>
	);
}
