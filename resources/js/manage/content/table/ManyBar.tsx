import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { finished, post } from "../../shared/api/api";
import type { ChangeItemsRequest, ContentType } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { useDone } from "../../shared/Done";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { Control } from "../../shared/fields/Control";
import { Notice } from "../../shared/Notice";
import { Sheet } from "../../shared/Sheet";
import { settable } from "./settable";

type Asking = "addTerms" | "removeTerms" | "set" | "delete" | null;

const TITLES = {
	addTerms: "Add terms",
	removeTerms: "Remove terms",
	set: "Set a field",
	delete: "Remove them?",
};

/** The actions for the ticked items. */
export function ManyBar({
	type,
	count,
	chosen,
	onDone,
}: {
	type: ContentType;
	count: number;
	/** The ids, or the query that all of them match. */
	chosen: { ids: number[] } | { query: Record<string, unknown> };
	onDone: () => void;
}) {
	const client = useQueryClient();
	const done = useDone();
	const [asking, setAsking] = useState<Asking>(null);
	const taxonomies = type.fields.filter((one) => one.family === "terms");
	const { user } = useStart();
	const fields = settable(type, user.role === "manager");
	const [which, setWhich] = useState("");
	const [value, setValue] = useState<unknown>(null);
	const run = useMutation({
		mutationFn: ({ what, extra }: { what: ChangeItemsRequest["do"]; extra?: Record<string, unknown> }) =>
			finished(
				post("/items/many", {
					body: {
						type: type.key,
						do: what,
						...chosen,
						with: extra ?? {},
					},
				}),
			),
		onSuccess: (answer) => {
			void client.invalidateQueries();
			setAsking(null);
			onDone();
			done(`${answer.done} of ${count.toLocaleString()} changed.`, answer.done > 0 ? answer.change : null, answer.left);
		},
	});
	const ask = (what: Asking) => {
		setAsking(what);
		setWhich((what === "set" ? fields[0]?.key : taxonomies[0]?.key) ?? "");
		setValue(null);
		run.reset();
	};
	const field = type.fields.find((one) => one.key === which);
	return (
		<div
			role="toolbar"
			aria-label="With the selected items"
			className="flex flex-wrap items-center gap-2 bg-accent text-accent-content rounded-box px-4 py-2"
		>
			<strong>{count.toLocaleString()} ticked</strong>
			<button
				type="button"
				className="btn btn-sm"
				disabled={run.isPending}
				onClick={() => run.mutate({ what: "publish" })}
			>
				Publish
			</button>
			<button
				type="button"
				className="btn btn-sm"
				disabled={run.isPending}
				onClick={() => run.mutate({ what: "unpublish" })}
			>
				Make drafts
			</button>
			{taxonomies.length > 0 && (
				<>
					<button type="button" className="btn btn-sm" onClick={() => ask("addTerms")}>
						Give terms
					</button>
					<button type="button" className="btn btn-sm" onClick={() => ask("removeTerms")}>
						Take terms
					</button>
				</>
			)}
			{fields.length > 0 && (
				<button type="button" className="btn btn-sm" onClick={() => ask("set")}>
					Set a field
				</button>
			)}
			<button type="button" className="btn btn-sm" onClick={() => ask("delete")}>
				Remove
			</button>
			{run.isPending && <span role="status">Working…</span>}
			{run.error && asking === null && <span className="text-error">{run.error.message}</span>}
			{asking && (
				<Sheet title={TITLES[asking]} onClose={() => setAsking(null)}>
					{run.error && <Notice>{run.error.message}</Notice>}
					{asking === "delete" ? (
						<p>
							{count.toLocaleString()} {count === 1 ? type.label.toLowerCase() : type.plural.toLowerCase()} go from the
							site at once. You can undo this.
						</p>
					) : (
						<>
							<select
								className="select w-full"
								aria-label={asking === "set" ? "Field" : "Taxonomy"}
								value={which}
								onChange={(event) => {
									setWhich(event.target.value);
									setValue(null);
								}}
							>
								{(asking === "set" ? fields : taxonomies).map((one) => (
									<option key={one.key} value={one.key}>
										{one.label}
									</option>
								))}
							</select>
							{field?.key === "audience" ? (
								<AudienceControl value={value} onChange={setValue} />
							) : (
								field && <Control key={which} field={field} value={value} onChange={setValue} />
							)}
						</>
					)}
					<button
						type="button"
						className="btn btn-secondary justify-self-start"
						disabled={
							run.isPending ||
							(asking.endsWith("Terms") && !(Array.isArray(value) && value.length > 0)) ||
							(which === "lead" && value === null)
						}
						onClick={() =>
							run.mutate({
								what: asking,
								extra: asking === "set" ? { values: { [which]: value } } : { taxonomy: which, terms: value ?? [] },
							})
						}
					>
						{run.isPending ? "Working…" : asking === "delete" ? "Remove them" : `Change ${count.toLocaleString()}`}
					</button>
				</Sheet>
			)}
		</div>
	);
}
