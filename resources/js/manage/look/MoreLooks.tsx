import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { useNavigate } from "react-router";
import { get, post } from "../shared/api/api";
import type { CreateLookRequest, LookWhole } from "../shared/api/schema";

/** The name of a look, copies of it, and looks as design token files. */
export function MoreLooks({
	look,
	name,
	onRename,
}: {
	look: LookWhole;
	name: string;
	onRename: (name: string) => void;
}) {
	const client = useQueryClient();
	const navigate = useNavigate();
	const file = useRef<HTMLInputElement>(null);
	const [fault, setFault] = useState<string | null>(null);
	const make = useMutation({
		mutationFn: (body: CreateLookRequest) => post("/looks", { body }),
		onSuccess: (made) => {
			setFault(null);
			void client.invalidateQueries({ queryKey: ["looks"] });
			void navigate(`/look/${made.key}`);
		},
		onError: (error) => setFault(error.message),
	});
	const read = async (chosen: File) => {
		try {
			make.mutate({ name: chosen.name.replace(/(\.tokens)?\.json$/i, ""), tokens: JSON.parse(await chosen.text()) });
		} catch {
			setFault(`${chosen.name} is no JSON.`);
		}
	};
	const write = async () => {
		const tokens = await get("/looks/{key}/tokens", { params: { path: { key: look.key } } });
		const url = URL.createObjectURL(new Blob([JSON.stringify(tokens, null, "\t")], { type: "application/json" }));
		Object.assign(document.createElement("a"), { href: url, download: `${look.key}.tokens.json` }).click();
		URL.revokeObjectURL(url);
	};
	return (
		<section className="grid gap-2 text-sm">
			<h2 className="font-serif text-lg font-semibold">Name and files</h2>
			<label className="grid gap-1">
				Name
				<input
					className="input input-sm w-full"
					maxLength={100}
					value={name}
					onChange={(event) => event.target.value.trim() !== "" && onRename(event.target.value)}
				/>
			</label>
			<div className="flex flex-wrap gap-x-4 gap-y-1">
				<button
					type="button"
					className="plain-add"
					onClick={() => make.mutate({ name: `${name} (copy)`, from: look.key })}
				>
					Save as another
				</button>
				<button type="button" className="plain-add" onClick={() => void write()}>
					Download as design tokens
				</button>
				<button type="button" className="plain-add" onClick={() => file.current?.click()}>
					Bring in design tokens
				</button>
				<input
					ref={file}
					type="file"
					accept=".json,application/json"
					className="hidden"
					aria-label="A file of design tokens"
					onChange={(event) => {
						const chosen = event.target.files?.[0];
						event.target.value = "";
						if (chosen) {
							void read(chosen);
						}
					}}
				/>
			</div>
			{fault && <p className="text-error">{fault}</p>}
		</section>
	);
}
