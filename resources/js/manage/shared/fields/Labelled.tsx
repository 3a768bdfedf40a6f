import type { ReactNode } from "react";

/** A control with its label, its help and what is wrong with it. */
export function Labelled({
	label,
	id,
	hint,
	problem,
	required = false,
	group = false,
	children,
}: {
	label: string;
	id: string;
	hint?: string | undefined;
	problem?: string | undefined;
	required?: boolean;
	/** Whether it is several controls under one label. */
	group?: boolean;
	children: ReactNode;
}) {
	const needed = required && <span className="text-quiet font-normal"> (needed)</span>;
	const rest = (
		<>
			{hint && (
				<p id={`${id}-hint`} className="text-[0.82rem] text-quiet">
					{hint}
				</p>
			)}
			{problem && (
				<p id={`${id}-problem`} className="text-[0.85rem] text-error font-medium">
					{problem}
				</p>
			)}
		</>
	);
	return group ? (
		<fieldset id={id} aria-invalid={problem !== undefined} tabIndex={-1} className="grid gap-1 content-start min-w-0">
			<legend className="font-semibold mb-1">
				{label}
				{needed}
			</legend>
			{children}
			{rest}
		</fieldset>
	) : (
		<div className="grid gap-1 content-start min-w-0">
			<label htmlFor={id} className="font-semibold">
				{label}
				{needed}
			</label>
			{children}
			{rest}
		</div>
	);
}
