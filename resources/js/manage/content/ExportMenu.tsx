import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { Button, DialogTrigger } from "react-aria-components";
import { finished, post } from "../shared/api/api";
import type { ContentType, ExportRequest } from "../shared/api/schema";
import { base } from "../shared/api/session";
import { Dropdown } from "../shared/Dropdown";
import { Notice } from "../shared/Notice";

const FORMS: (ExportRequest & { words: string })[] = [
	{ words: "Table (CSV)", format: "csv" },
	{ words: "Table (CSV), without marks", format: "csv", plain: true },
	{ words: "Objects (JSON)", format: "json" },
	{ words: "One object a line (JSON Lines)", format: "jsonl" },
];

const MARKS =
	"A cell that a spreadsheet program would take as a formula gets an apostrophe before it. " +
	"The import takes it away again.";

/** Exports all items of a type: a task makes the file, then the browser downloads it. */
export function ExportMenu({ type }: { type: ContentType }) {
	const [isOpen, setIsOpen] = useState(false);
	const make = useMutation({
		mutationFn: ({ format, plain = false }: ExportRequest) =>
			finished(post("/exports/{key}", { params: { path: { key: type.key } }, body: { format, plain } })),
		onSuccess: ({ file }) => {
			setIsOpen(false);
			window.location.assign(`${base}/exports/${file}`);
		},
	});
	return (
		<DialogTrigger isOpen={isOpen} onOpenChange={setIsOpen}>
			<Button className="btn btn-sm h-9">Export</Button>
			<Dropdown label="Export" placement="bottom end" width="max-w-72" gap="gap-1.5">
				<p className="text-quiet">All {type.plural.toLowerCase()}, as the import takes them.</p>
				{make.error && <Notice>{make.error.message}</Notice>}
				{FORMS.map(({ words, ...form }) => (
					<button
						key={words}
						type="button"
						className="text-left cursor-pointer hover:underline"
						aria-disabled={make.isPending}
						onClick={() => make.isPending || make.mutate(form)}
					>
						{words}
					</button>
				))}
				<p role="status" className="text-quiet text-xs">
					{make.isPending
						? "The file is being made. You may close this and go on; it is sent when it is ready."
						: MARKS}
				</p>
			</Dropdown>
		</DialogTrigger>
	);
}
