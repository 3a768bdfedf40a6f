import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { Link, useNavigate } from "react-router";
import { finished, get, put } from "../shared/api/api";
import type { TypeFile } from "../shared/api/schema";
import { Fault } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { Screen } from "../shared/Screen";
import { SetsPanel } from "./SetsPanel";
import { keyFrom } from "./typeFile";

/** All content types, and ready-made sets of them. */
export function TypesScreen() {
	const types = useQuery({ queryKey: ["types"], queryFn: ({ signal }) => get("/types", { signal }) });
	const client = useQueryClient();
	const order = useMutation({
		mutationFn: (keys: string[]) => put("/types/order", { body: { keys } }),
		onSuccess: () => void client.invalidateQueries(),
	});
	const keys = types.data?.types.map((one) => one.key) ?? [];
	const move = (from: number, to: number) => {
		const next = [...keys];
		next.splice(to, 0, ...next.splice(from, 1));
		order.mutate(next);
	};
	return (
		<Screen title="Types" about="What kinds of things the site keeps, and what is known of each.">
			<NewType />
			{types.error && <Fault error={types.error} onRetry={types.refetch} />}
			<ul className="bg-base-100 border border-base-300 rounded-box divide-y divide-base-300">
				{types.data?.types.map((one, i) => (
					<li
						key={one.key}
						className="grid grid-cols-[minmax(0,1fr)_auto] md:grid-cols-[minmax(0,1fr)_8rem_auto] gap-x-5 gap-y-1 px-5 py-3.5
							items-center"
					>
						<div className="min-w-0">
							<Link to={`/types/${one.key}`} className="font-serif text-xl font-semibold hover:underline">
								{one.plural}
							</Link>
							<span className="text-quiet ml-3">{one.address}</span>
							<p className="text-quiet">
								{one.fields.length === 0 ? "no fields of its own yet" : one.fields.join(" · ")}
							</p>
						</div>
						<Link to={`/content/${one.key}`} className="hidden md:block text-right hover:underline">
							<span className="text-lg font-semibold">{one.items.toLocaleString()}</span>{" "}
							{one.items === 1 ? "item" : "items"}
						</Link>
						<div className="flex">
							<button
								type="button"
								className="btn btn-sm btn-ghost"
								aria-label={`Move ${one.plural} up`}
								disabled={i === 0}
								onClick={() => move(i, i - 1)}
							>
								↑
							</button>
							<button
								type="button"
								className="btn btn-sm btn-ghost"
								aria-label={`Move ${one.plural} down`}
								disabled={i === keys.length - 1}
								onClick={() => move(i, i + 1)}
							>
								↓
							</button>
						</div>
					</li>
				))}
			</ul>
			<SetsPanel />
		</Screen>
	);
}

function NewType() {
	const go = useNavigate();
	const client = useQueryClient();
	const [label, setLabel] = useState("");
	const [plural, setPlural] = useState("");
	const key = keyFrom(label);
	const make = useMutation({
		mutationFn: () => {
			const file: TypeFile = {
				$schema: "https://json-schema.org/draft/2020-12/schema",
				title: label,
				type: "object",
				"x-wellspring": {
					format: 1,
					key,
					plural: plural || `${label}s`,
					address: `/${key.replaceAll("_", "-")}/{slug}`,
					taxonomies: [],
				},
				properties: {},
			};
			return finished(put("/types", { body: { file } }));
		},
		onSuccess: async (made) => {
			await client.invalidateQueries();
			void go(`/types/${made.key}`);
		},
	});
	const submit = (event: FormEvent) => {
		event.preventDefault();
		if (key !== "") {
			make.mutate();
		}
	};
	return (
		<form
			onSubmit={submit}
			className="flex flex-wrap items-end gap-3 bg-base-100 border border-base-300 rounded-box px-5 py-4"
		>
			<label className="grid gap-1">
				<span className="font-semibold">New type: Singular name</span>
				<input
					className="input w-56"
					value={label}
					placeholder="Recipe"
					onChange={(event) => setLabel(event.target.value)}
				/>
			</label>
			<label className="grid gap-1">
				<span className="font-semibold">Plural name</span>
				<input
					className="input w-56"
					value={plural}
					placeholder={label ? `${label}s` : "Recipes"}
					onChange={(event) => setPlural(event.target.value)}
				/>
			</label>
			<button type="submit" className="btn btn-primary" disabled={key === "" || make.isPending}>
				Create the type
			</button>
			{make.error && (
				<div className="basis-full">
					<Notice>{make.error.message}</Notice>
				</div>
			)}
		</form>
	);
}
