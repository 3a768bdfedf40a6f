import { Button, Dialog, DialogTrigger, Popover } from "react-aria-components";
import type { ContentType } from "../shared/schema";

/** All items of a type as a file. */
export function ExportMenu({ type }: { type: ContentType }) {
	return (
		<DialogTrigger>
			<Button className="btn btn-sm h-9">Export</Button>
			<Popover placement="bottom end" className="bg-base-100 border border-base-300 rounded-box shadow-lg">
				<Dialog aria-label="Export" className="outline-none p-4 grid gap-1.5">
					<p className="text-quiet max-w-56">All {type.plural.toLowerCase()}, as the import takes them.</p>
					{[
						["csv", "Table (CSV)"],
						["csv&plain=1", "Table (CSV), without marks"],
						["json", "Objects (JSON)"],
						["jsonl", "One object a line (JSON Lines)"],
					].map(([format, words]) => (
						<a key={format} href={`/manage/api/exports/${type.key}?format=${format}`} className="hover:underline">
							{words}
						</a>
					))}
					<p className="text-quiet text-[0.82rem] max-w-56">
						A cell that a spreadsheet program would take as a formula gets an apostrophe before it. The import takes it
						away again.
					</p>
				</Dialog>
			</Popover>
		</DialogTrigger>
	);
}
