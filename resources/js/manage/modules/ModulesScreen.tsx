import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { get, send } from "../shared/api";
import { useDone } from "../shared/Done";
import { Fault } from "../shared/Fault";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import type { ModuleSummary, ModuleWhole } from "../shared/schema";
import { moment, useStart } from "../shared/start";
import { Records, useRecords } from "./ModuleRecords";
import { NewModule } from "./NewModule";
import { Pick } from "./Pick";
import { STATES, StateMark } from "./StateMark";

/**
 * All modules: the sentence each one reads as, where it stands, how many records it shows, its state, who
 * changed it last.
 */
export function ModulesScreen() {
	const start = useStart();
	const client = useQueryClient();
	const done = useDone();
	const go = useNavigate();
	const modules = useQuery({
		queryKey: ["modules"],
		queryFn: ({ signal }) => get<ModuleSummary[]>("/modules", signal),
	});
	const [words, setWords] = useState("");
	const [type, setType] = useState("");
	const [page, setPage] = useState("");
	const [term, setTerm] = useState("");
	const [state, setState] = useState("");
	const [picked, setPicked] = useState<string[]>([]);
	// In the address, so that the command box leads there.
	const [address, setAddress] = useSearchParams();
	const [removing, setRemoving] = useState<ModuleSummary[] | null>(null);
	useEffect(() => {
		document.title = "Modules · Wellspring";
	}, []);
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
			...one.pages.flatMap((at) => [at.title, at.address]),
		]
			.join(" ")
			.toLowerCase();
		return (
			wanted.every((word) => text.includes(word)) &&
			(type === "" || one.takes.includes(type)) &&
			(term === "" || one.terms.some((named) => named.key === term)) &&
			(page === "" || (page === "none" ? one.pages.length === 0 : one.pages.some((at) => String(at.id) === page))) &&
			(state === "" || one.state === state)
		);
	});
	const chosen = all.filter((one) => picked.includes(one.key));
	const many = useMutation({
		mutationFn: (act: { do: "publish" | "off" | "on" | "remove"; keys: string[] }) =>
			send<{ change: number | null; title: string; faults: string[] }>("POST", "/modules/many", act),
		onSuccess: (answer) => {
			done(`${answer.title}.`, answer.change, answer.faults);
			setPicked([]);
			setRemoving(null);
			void client.invalidateQueries({ queryKey: ["modules"] });
		},
	});
	const duplicate = useMutation({
		mutationFn: (key: string) => send<ModuleWhole>("POST", `/modules/${key}/duplicate`, {}),
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
	const records = useRecords(all.map((one) => one.key));

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
						["none", "on no page"],
						...start.pages.map((one): [string, string] => [String(one.id), `on ${one.title}`]),
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
				<div className="sticky top-2 z-10 flex flex-wrap items-center gap-2 bg-accent border border-base-300 rounded-box px-4 py-2">
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
					<li
						key={one.key}
						className="grid grid-cols-[auto_minmax(0,1fr)] md:grid-cols-[auto_minmax(0,1fr)_10rem_9.5rem] gap-x-4 md:gap-x-5 gap-y-1 px-4 md:px-5 py-4"
					>
						<input
							type="checkbox"
							className="checkbox checkbox-sm mt-1.5"
							aria-label={`Choose ${one.name}`}
							checked={picked.includes(one.key)}
							onChange={() =>
								setPicked(picked.includes(one.key) ? picked.filter((key) => key !== one.key) : [...picked, one.key])
							}
						/>
						<div className="min-w-0">
							<div className="flex flex-wrap items-baseline gap-x-3">
								<Link to={`/modules/${one.key}`} className="font-serif text-xl font-semibold hover:underline">
									{one.name}
								</Link>
								<StateMark one={one} />
							</div>
							{one.line && <p className="text-quiet mt-0.5">{one.line}</p>}
							{one.problem && <p className="text-secondary mt-0.5">{one.problem}</p>}
						</div>
						<div className="md:pt-1 max-md:col-start-2">
							<div className="text-[0.78rem] text-quiet">On pages</div>
							{one.pages.length === 0 ? (
								<span className="text-secondary">no page yet</span>
							) : (
								one.pages.map((at, i) => (
									<span key={at.id}>
										{i > 0 && ", "}
										<a href={at.address} className="hover:underline">
											{at.title}
										</a>
									</span>
								))
							)}
						</div>
						<div className="md:text-right md:pt-1 max-md:col-start-2">
							<Records one={one} counted={records.get(one.key)} />
							<div className="text-[0.78rem] text-quiet">
								changed {moment(start, one.savedAt, false)}
								{one.by && ` by ${one.by}`}
							</div>
							<button
								type="button"
								className="plain-add text-[0.85rem]"
								disabled={duplicate.isPending}
								onClick={() => duplicate.mutate(one.key)}
							>
								Duplicate
								<span className="sr-only"> {one.name}</span>
							</button>
						</div>
					</li>
				))}
				{modules.data && shown.length === 0 && (
					<li className="px-5 py-6 text-quiet">{all.length === 0 ? "No modules yet." : "No modules found."}</li>
				)}
			</ul>
			{address.has("new") && <NewModule onClose={() => setAddress({}, { replace: true })} />}
			{removing && (
				<Sheet
					title={removing.length === 1 ? `Remove “${removing[0]?.name}”?` : `Remove ${removing.length} modules?`}
					onClose={() => setRemoving(null)}
				>
					<ul className="grid gap-1.5">
						{removing.map((one) => (
							<li key={one.key}>
								<strong>{one.name}</strong>{" "}
								{one.pages.length === 0 ? (
									<span className="text-quiet">stands on no page.</span>
								) : (
									<>
										stands on {one.pages.map((at) => at.title).join(", ")}
										{one.live && !one.off ? "; visitors will no longer see it there." : "; visitors do not see it now."}
									</>
								)}
							</li>
						))}
					</ul>
					<p className="text-quiet">You can undo this; its places and versions return with it.</p>
					<div className="flex gap-2">
						<button
							type="button"
							className="btn btn-secondary"
							disabled={many.isPending}
							onClick={() => many.mutate({ do: "remove", keys: removing.map((one) => one.key) })}
						>
							Remove
						</button>
						<button type="button" className="btn" onClick={() => setRemoving(null)}>
							Keep
						</button>
					</div>
				</Sheet>
			)}
		</div>
	);
}
