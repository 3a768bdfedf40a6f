import type { ReactNode } from "react";
import { Button, Dialog, DialogTrigger, Popover } from "react-aria-components";

/** A word of a sentence that opens in place what it stands for. */
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
			<Popover
				isNonModal
				placement={placement}
				className="bg-base-100 border border-base-300 rounded-box shadow-lg p-4 w-72 max-h-[70vh] overflow-y-auto"
			>
				<Dialog ref={focusWhatItStandsFor} className="outline-none grid gap-3" aria-label={label}>
					{children}
					{problem && <p className="text-sm text-error font-medium">{problem}</p>}
				</Dialog>
			</Popover>
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
