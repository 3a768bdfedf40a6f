import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { get, post } from "../shared/api/api";
import type { ModuleSummary } from "../shared/api/schema";
import { useStart } from "../shared/api/start";
import { useByChunks } from "../shared/api/useByChunks";
import { useDone } from "../shared/Done";
import { Fault } from "../shared/Fault";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { Notice } from "../shared/Notice";
import { useTitle } from "../shared/shell/useTitle";
import { ModuleLine } from "./ModuleLine";
import { NewModule } from "./NewModule";
import { Pick } from "./Pick";
import { RemoveModules } from "./RemoveModules";
import { STATES } from "./StateMark";

/**
 * All modules: the sentence, places, number of records, state and last change of each.
 */
export function ModulesScreen() {
	const start = useStart();
	const client = useQueryClient();
	const done = useDone();
	const go = useNavigate();
	const modules = useQuery({
		queryKey: ["modules"],
		queryFn: ({ signal }) => get("/modules", { signal }),
	});
	const [words, setWords] = useState("");
	const [type, setType] = useState("");
	const [page, setPage] = useState("");
	const [term, setTerm] = useState("");
	const [state, setState] = useState("");
	const [picked, setPicked] = useState<string[]>([]);
	// Stored in the address, so that the command box can link to it.
	const [address, setAddress] = useSearchParams();
	const [removing, setRemoving] = useState<ModuleSummary[] | null>(null);
	useTitle("Modules");
	const wanted = words.trim().toLowerCase().split(/\s+/).filter(Boolean);
	const all = modules.data ?? [];
	const shown = all.filter((one) => {
		const text = [
			one.name,
			one.key,
			...one.takes,
			one.line,
			one.by,
			...one.terms.map((term) => term.name),
			...one.places.flatMap((at) => [at.words, at.address]),
		]
			.join(" ")
			.toLowerCase();
		return (
			wanted.every((word) => text.includes(word)) &&
			(type === "" || one.takes.includes(type)) &&
			(term === "" || one.terms.some((named) => named.key === term)) &&
			(page === "" || (page === "none" ? one.places.length === 0 : one.places.some((at) => at.page === page))) &&
			(state === "" || one.state === state)
		);
	});
	const chosen = all.filter((one) => picked.includes(one.key));
	const many = useMutation({
		mutationFn: (act: { do: "publish" | "off" | "on" | "remove"; keys: string[] }) =>
			post("/modules/many", { body: act }),
		onSuccess: (answer) => {
			done(`${answer.title}.`, answer.change, answer.faults);
			setPicked([]);
			setRemoving(null);
			void client.invalidateQueries({ queryKey: ["modules"] });
		},
	});
	const duplicate = useMutation({
		mutationFn: (key: string) => post("/modules/{key}/duplicate", { params: { path: { key } } }),
		onSuccess: (made) => {
			void client.invalidateQueries({ queryKey: ["modules"] });
			void go(`/modules/${made.key}`);
		},
	});
	const types = [...new Set(all.flatMap((one) => one.takes))].sort();
	const terms = new Map(
		all
			.flatMap((one) => one.terms)
			.sort((a, b) => a.name.localeCompare(b.name))
			.map((named) => [named.key, `with ${named.name} (${named.taxonomy})`]),
	);
	const records = useByChunks(
		"/modules/records",
		all.map((one) => one.key),
	);

	return (
		<div className="w-full max-w-6xl mx-auto px-4 md:px-6 py-6 grid gap-4 content-start">
			<div className="flex flex-wrap items-end gap-4">
				<div className="grow">
					<h1 className="font-serif text-3xl font-semibold">Modules</h1>
					<p className="text-quiet">Each is set up once; every page that carries it updates by itself.</p>
				</div>
				<button type="button" className="btn btn-primary" onClick={() => setAddress({ new: "" })}>
					New module
				</button>
			</div>
			<div className="flex flex-wrap gap-2">
				<input
					type="search"
					className="input input-sm h-9 w-64"
					placeholder="Find by name, rule or term"
					aria-label="Find modules"
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
				<Pick label="Type" any="of any type" value={type} onChange={setType} options={types.map((one) => [one, one])} />
				<Pick
					label="Page"
					any="on any page"
					value={page}
					onChange={setPage}
					options={[
						["none", "nowhere"],
						...start.pages.map((one): [string, string] => [one.key, `on ${one.title} (${one.address})`]),
					]}
				/>
				{terms.size > 0 && (
					<div className="w-48 [&_input]:h-9">
						<PickByTyping
							label="Term"
							placeholder="with any term"
							options={[...terms].map(([key, label]) => ({ key, label }))}
							value={term === "" ? null : term}
							onPick={(key) => setTerm(key ?? "")}
						/>
					</div>
				)}
				<Pick label="State" any="in any state" value={state} onChange={setState} options={STATES} />
			</div>
			{modules.error && <Fault error={modules.error} onRetry={modules.refetch} />}
			{(many.error ?? duplicate.error) && <Notice>{(many.error ?? duplicate.error)?.message}</Notice>}
			{chosen.length > 0 && (
				<div
					className="sticky top-2 z-10 flex flex-wrap items-center gap-2 bg-accent border border-base-300 rounded-box
					px-4 py-2"
				>
					<span className="font-semibold grow">
						{chosen.length === 1 ? "One module" : `${chosen.length} modules`} chosen
					</span>
					<button type="button" className="btn btn-sm" onClick={() => many.mutate({ do: "publish", keys: picked })}>
						Publish
					</button>
					<button type="button" className="btn btn-sm" onClick={() => many.mutate({ do: "off", keys: picked })}>
						Switch off
					</button>
					<button type="button" className="btn btn-sm" onClick={() => many.mutate({ do: "on", keys: picked })}>
						Switch on
					</button>
					<button type="button" className="btn btn-sm" onClick={() => setRemoving(chosen)}>
						Remove…
					</button>
					<button type="button" className="plain-add" onClick={() => setPicked([])}>
						Choose none
					</button>
				</div>
			)}
			<ul className="bg-base-100 border border-base-300 rounded-box divide-y divide-base-300">
				{shown.map((one) => (
					<ModuleLine
						key={one.key}
						one={one}
						counted={records.get(one.key)}
						isPicked={picked.includes(one.key)}
						onPick={() =>
							setPicked(picked.includes(one.key) ? picked.filter((key) => key !== one.key) : [...picked, one.key])
						}
						isBusy={duplicate.isPending}
						onDuplicate={() => duplicate.mutate(one.key)}
					/>
				))}
				{modules.data && shown.length === 0 && (
					<li className="px-5 py-6 text-quiet">
						{all.length > 0 ? (
							"No modules found."
						) : start.types.length > 0 ? (
							"No modules yet. Make the first one with New module."
						) : (
							<>
								No modules yet. A module lists items, so begin with{" "}
								<Link to="/types" className="link">
									a type for your items
								</Link>
								.
							</>
						)}
					</li>
				)}
			</ul>
			{address.has("new") && <NewModule onClose={() => setAddress({}, { replace: true })} />}
			{removing && (
				<RemoveModules
					modules={removing}
					isBusy={many.isPending}
					onRemove={() => many.mutate({ do: "remove", keys: removing.map((one) => one.key) })}
					onClose={() => setRemoving(null)}
				/>
			)}
		</div>
	);
}
