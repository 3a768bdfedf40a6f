import type { ReactNode } from "react";

/** A control with its label, its help and what is wrong with it. */
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
	/** Whether it is several controls under one label. */
	group?: boolean;
	/** Whether the label stands before the control. */
	inline?: boolean;
	/** Whether the label is only told to screen readers. */
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
