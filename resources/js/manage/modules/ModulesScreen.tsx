import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useState } from "react";
import { Link, useNavigate } from "react-router";
import { get, send } from "../shared/api";
import { Notice } from "../shared/Notice";
import { moment, useStart } from "../shared/start";
import type { ModuleSummary, ModuleWhole } from "../shared/types";

/** All modules: the sentence each one reads as, where it stands, how many records it shows, draft or live. */
export function ModulesScreen() {
	const start = useStart();
	const modules = useQuery({ queryKey: ["modules"], queryFn: () => get<ModuleSummary[]>("/modules") });
	const [words, setWords] = useState("");
	useEffect(() => {
		document.title = "Modules · Wellspring";
	}, []);
	const wanted = words.trim().toLowerCase();
	const shown = (modules.data ?? []).filter((one) =>
		[one.name, one.type, one.line, ...one.pages.map((page) => page.title)].join(" ").toLowerCase().includes(wanted),
	);

	return (
		<div className="w-full max-w-6xl mx-auto px-4 md:px-6 py-6 grid gap-5 content-start">
			<div className="flex flex-wrap items-end gap-4">
				<div className="grow">
					<h1 className="font-serif text-3xl font-semibold">Modules</h1>
					<p className="text-quiet">Each is set up once; every page that carries it updates by itself.</p>
				</div>
				<input
					type="search"
					className="input input-sm h-9 w-60"
					placeholder="Find by name, type, page or rule"
					aria-label="Find modules"
					value={words}
					onChange={(event) => setWords(event.target.value)}
				/>
			</div>
			<NewModule />
			{modules.error && <Notice>{modules.error.message}</Notice>}
			<ul className="bg-base-100 border border-base-300 rounded-box divide-y divide-base-300">
				{shown.map((one) => (
					<li key={one.key} className="grid md:grid-cols-[minmax(0,1fr)_11rem_8rem] gap-x-6 gap-y-1 px-5 py-4">
						<div className="min-w-0">
							<div className="flex flex-wrap items-baseline gap-x-3">
								<Link to={`/modules/${one.key}`} className="font-serif text-xl font-semibold hover:underline">
									{one.name}
								</Link>
								<State one={one} />
							</div>
							{one.line && <p className="text-quiet mt-0.5">{one.line}</p>}
							{one.problem && <p className="text-secondary mt-0.5">{one.problem}</p>}
						</div>
						<div className="md:pt-1">
							<div className="text-[0.78rem] text-quiet">Stands on</div>
							{one.pages.length === 0 ? (
								<span className="text-secondary">no page yet</span>
							) : (
								one.pages.map((page, i) => (
									<span key={page.id}>
										{i > 0 && ", "}
										<a href={page.address} className="hover:underline">
											{page.title}
										</a>
									</span>
								))
							)}
						</div>
						<div className="md:text-right md:pt-1">
							<div className="text-lg font-semibold leading-tight">{one.records ?? "–"}</div>
							<div className="text-[0.78rem] text-quiet">
								records now
								<br />
								changed {moment(start, one.savedAt, false)}
							</div>
						</div>
					</li>
				))}
				{modules.data && shown.length === 0 && (
					<li className="px-5 py-6 text-quiet">
						{modules.data.length === 0 ? "No modules yet. Name the first one above." : "No module fits these words."}
					</li>
				)}
			</ul>
		</div>
	);
}

function State({ one }: { one: ModuleSummary }) {
	const [words, look] = !one.live
		? ["draft", "bg-warning text-warning-content"]
		: one.changed
			? ["live, with unpublished changes", "bg-warning text-warning-content"]
			: ["live", "bg-accent text-accent-content"];
	return <span className={`rounded-full px-2.5 py-0.5 text-[0.78rem] ${look}`}>{words}</span>;
}

function NewModule() {
	const { types } = useStart();
	const client = useQueryClient();
	const go = useNavigate();
	const [name, setName] = useState("");
	const [type, setType] = useState(types[0]?.key ?? "");
	const make = useMutation({
		mutationFn: () => send<ModuleWhole>("POST", "/modules", { name: name.trim(), type }),
		onSuccess: (module) => {
			void client.invalidateQueries({ queryKey: ["modules"] });
			void go(`/modules/${module.key}`);
		},
	});
	return (
		<form
			className="flex flex-wrap items-center gap-2 bg-base-100 border border-base-300 rounded-box px-5 py-3"
			onSubmit={(event: FormEvent) => {
				event.preventDefault();
				make.mutate();
			}}
		>
			<span className="font-semibold">A new module</span>
			<span className="text-quiet">called</span>
			<input
				className="input input-sm h-9 w-56"
				aria-label="Name of the new module"
				placeholder="Plants for a north wall"
				maxLength={200}
				required
				value={name}
				onChange={(event) => setName(event.target.value)}
			/>
			<span className="text-quiet">that takes</span>
			<select
				className="select select-sm h-9 w-auto"
				aria-label="What it draws from"
				value={type}
				onChange={(event) => setType(event.target.value)}
			>
				{types.map((one) => (
					<option key={one.key} value={one.key}>
						{one.plural.toLowerCase()}
					</option>
				))}
			</select>
			<button className="btn btn-primary btn-sm h-9" type="submit" disabled={name.trim() === "" || make.isPending}>
				Make it
			</button>
			{make.error && <Notice>{make.error.message}</Notice>}
		</form>
	);
}
