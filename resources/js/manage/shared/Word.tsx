import type { ReactNode } from "react";
import { Button, DialogTrigger } from "react-aria-components";
import { Dropdown } from "./Dropdown";

/** A word of a sentence that opens its control in place. */
export function Word({
	words,
	label,
	placement = "bottom start",
	problem,
	children,
}: {
	words: string;
	label: string;
	placement?: "bottom start" | "bottom end";
	problem?: string | undefined;
	children: ReactNode;
}) {
	return (
		<DialogTrigger>
			<Button className={`word ${problem ? "!text-error" : ""}`} data-invalid={problem !== undefined}>
				{words}
			</Button>
			<Dropdown label={label} ref={focusWhatItStandsFor} isNonModal placement={placement}>
				{children}
				{problem && <p className="text-sm text-error font-medium">{problem}</p>}
			</Dropdown>
		</DialogTrigger>
	);
}

function focusWhatItStandsFor(dialog: HTMLElement | null) {
	const first = dialog?.querySelector<HTMLElement>("input, select, textarea");
	const chosen = first?.matches("[type=radio], [type=checkbox]")
		? first.closest("fieldset")?.querySelector<HTMLElement>("input:checked")
		: null;
	(chosen ?? first)?.focus();
}
