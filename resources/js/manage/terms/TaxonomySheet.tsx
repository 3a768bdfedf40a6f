import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, del, get, put } from "../shared/api/api";
import type { TaxonomyRow } from "../shared/api/schema";
import { useDone } from "../shared/Done";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import { FieldList } from "../types/FieldList";
import { type FieldRow, rowsOf } from "../types/typeFile";

/** The settings of a taxonomy: its label, whether it is a tree, and the fields of its terms. */
export function TaxonomySheet({
	taxonomy,
	onClose,
	keyOf,
}: {
	taxonomy: TaxonomyRow;
	onClose: () => void;
	/** makes the key of a new one */
	keyOf?: (label: string) => string;
}) {
	const client = useQueryClient();
	const go = useNavigate();
	const done = useDone();
	const kinds = useQuery({ queryKey: ["types"], queryFn: ({ signal }) => get("/types", { signal }) });
	const [label, setLabel] = useState(taxonomy.label);
	const [tree, setTree] = useState(taxonomy.tree);
	const [rows, setRows] = useState<FieldRow[]>(() =>
		rowsOf({ properties: taxonomy.file.properties ?? {}, required: taxonomy.file.required ?? [] }),
	);
	const key = keyOf ? keyOf(label) : taxonomy.key;
	const save = useMutation({
		mutationFn: () => {
			const required = rows.filter((row) => row.required).map((row) => row.key);
			const fields =
				rows.length === 0
					? {}
					: {
							properties: Object.fromEntries(rows.map((row) => [row.key, row.schema])),
							...(required.length > 0 ? { required } : {}),
						};
			return put("/taxonomies", {
				body: {
					file: { format: 1, key, label, tree, ...fields },
					...(keyOf ? {} : { revision: taxonomy.revision }),
				},
			});
		},
		onSuccess: async (made) => {
			await client.invalidateQueries();
			onClose();
			void go(`/terms/${made.key}`);
		},
	});
	const remove = useMutation({
		mutationFn: () => del("/taxonomies/{key}", { params: { path: { key: taxonomy.key } } }),
		onSuccess: async ({ change }) => {
			onClose();
			done(`The taxonomy “${taxonomy.label}” is removed.`, change);
			await client.invalidateQueries();
			void go("/terms");
		},
	});
	const problems = save.error instanceof ApiError ? save.error.problems : [];
	const usable = kinds.data?.kinds.filter((one) => !["items", "person"].includes(one.key)) ?? [];
	return (
		<Sheet title={keyOf ? "A new taxonomy" : `About ${taxonomy.label}`} onClose={onClose} wide>
			{save.error && <Notice>{save.error.message}</Notice>}
			{remove.error && <Notice>{remove.error.message}</Notice>}
			<div className="flex flex-wrap gap-4 items-end">
				<label className="grid gap-1 grow">
					<span className="font-semibold">Name</span>
					<input
						className="input w-full"
						value={label}
						placeholder="Villages"
						onChange={(event) => setLabel(event.target.value)}
					/>
				</label>
				<label className="flex gap-2 items-center cursor-pointer pb-2">
					<input type="checkbox" className="checkbox checkbox-sm" checked={tree} onChange={() => setTree(!tree)} />
					Terms can stand below others
				</label>
			</div>
			{!keyOf && (
				<p className="text-quiet">
					Key <code>{taxonomy.key}</code>;{" "}
					{taxonomy.types.length === 0
						? "no type has terms of it yet (see Types)"
						: `for ${taxonomy.types.join(", ").toLowerCase()}`}
					.
				</p>
			)}
			<section className="grid gap-2" aria-label="Fields of its terms">
				<h3 className="font-semibold">Fields that its terms have, beside name, description, picture and colour</h3>
				<FieldList rows={rows} kinds={usable} problems={problems} onChange={setRows} />
			</section>
			<div className="flex flex-wrap gap-3">
				<button
					type="button"
					className="btn btn-secondary"
					disabled={key === "" || save.isPending}
					onClick={() => save.mutate()}
				>
					{keyOf ? "Create" : "Save"}
				</button>
				{!keyOf && (
					<button type="button" className="btn btn-ghost" disabled={remove.isPending} onClick={() => remove.mutate()}>
						Remove it, with its {taxonomy.terms.toLocaleString()} terms
					</button>
				)}
			</div>
		</Sheet>
	);
}
