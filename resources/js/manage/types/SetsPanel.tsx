import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { ApiError, get, post, put } from "../shared/api/api";
import type { SetPart } from "../shared/api/schema";
import { useDone } from "../shared/Done";
import { Notice } from "../shared/Notice";
import { ProblemLine } from "../shared/ProblemLine";
import { Sheet } from "../shared/Sheet";

/** The screen of a set's part. */
const PLACES: Record<string, string> = { type: "/content", taxonomy: "/terms", module: "/modules" };

const STATES = { new: "will be made", same: "is here already", kept: "is here and otherwise; stays as it is" };

/** Ready-made sets: types with their taxonomies and a first module, with a preview before they are applied. */
export function SetsPanel() {
	const sets = useQuery({
		queryKey: ["sets"],
		queryFn: ({ signal }) => get("/sets", { signal }),
	});
	const client = useQueryClient();
	const done = useDone();
	const [body, setBody] = useState<FormData | null>(null);
	const [came, setCame] = useState<SetPart[]>([]);
	const go = useNavigate();
	/** Creates a page with the module of the set. */
	const page = useMutation({
		mutationFn: async (module: SetPart) => {
			const made = await post("/pages", { body: { title: module.name } });
			await put("/modules/{key}/pages/{page}", {
				params: { path: { key: module.key, page: made.key } },
				body: { stands: true },
			});
			return made;
		},
		onSuccess: (made) => {
			void client.invalidateQueries();
			void go(`/pages/${made.key}`);
		},
	});
	const look = useMutation({ mutationFn: (asked: FormData) => post("/sets/inspect", { body: asked }) });
	const apply = useMutation({
		mutationFn: (asked: FormData) => post("/sets/apply", { body: asked }),
		onSuccess: ({ parts }) => {
			void client.invalidateQueries();
			setBody(null);
			setCame(parts);
			const made = parts.filter((one) => one.state === "new").map((one) => one.name);
			done(made.length === 0 ? "Everything of this set was here already." : `Brought in: ${made.join(", ")}.`);
		},
	});
	const open = (asked: FormData) => {
		setBody(asked);
		look.mutate(asked);
	};
	const of = (name: string, value: string | File) => {
		const asked = new FormData();
		asked.set(name, value);
		return asked;
	};
	return (
		<section aria-labelledby="sets" className="grid gap-3">
			<div>
				<h2 id="sets" className="font-serif text-2xl font-semibold">
					Ready-made sets
				</h2>
				<p className="text-quiet">
					Types with their taxonomies and a module to begin with. You see what a set holds before anything is made.
				</p>
			</div>
			<ul className="grid md:grid-cols-3 gap-4">
				{sets.data?.map((one) => (
					<li key={one.key} className="bg-base-100 border border-base-300 rounded-box p-4 grid gap-2 content-between">
						<div>
							<h3 className="font-serif text-lg font-semibold">{one.name}</h3>
							<p className="text-quiet">{one.about}</p>
						</div>
						<div className="flex gap-4 items-center">
							<button type="button" className="btn btn-sm" onClick={() => open(of("shipped", one.key))}>
								Look at it
							</button>
							<a className="hover:underline text-sm" href={`/manage/api/sets/${one.key}/file`}>
								as a file
							</a>
						</div>
					</li>
				))}
				<li className="border border-dashed border-[#8b9a9c] rounded-box p-4 grid gap-2 content-between">
					<div>
						<h3 className="font-serif text-lg font-semibold">One of your own</h3>
						<p className="text-quiet">A zip with set.json and folders of types, taxonomies and modules.</p>
					</div>
					<input
						type="file"
						accept=".zip"
						aria-label="A set as a zip file"
						className="file-input file-input-sm w-full"
						onChange={(event) => {
							const file = event.target.files?.[0];
							if (file) {
								open(of("file", file));
								event.target.value = "";
							}
						}}
					/>
				</li>
			</ul>
			{came.length > 0 && (
				<Notice tone="calm">
					<p className="font-semibold">What came with the set</p>
					<ul className="grid gap-1">
						{came.map((one) => (
							<li key={`${one.kind}-${one.key}`} className="flex flex-wrap gap-x-3">
								<Link className="link" to={`${PLACES[one.kind] ?? "/types"}/${one.key}`}>
									{one.name}
								</Link>
								<span>{one.kind}</span>
								{one.kind === "module" && (
									<button type="button" className="link" disabled={page.isPending} onClick={() => page.mutate(one)}>
										Make a page with it
									</button>
								)}
							</li>
						))}
					</ul>
					{page.error && <p>{page.error.message}</p>}
				</Notice>
			)}
			{body && (
				<Sheet title={look.data?.name ?? "Looking at the set"} onClose={() => setBody(null)}>
					{[look.error, apply.error].map((error) => error && <Refused key={error.message} error={error} />)}
					{look.data && (
						<>
							<p>{look.data.about}</p>
							<ul className="divide-y divide-base-300 border border-base-300 rounded-box">
								{look.data.parts.map((part) => (
									<li key={`${part.kind}-${part.key}`} className="px-4 py-2.5">
										<span className="text-quiet">{part.kind}</span> <strong>{part.name}</strong>{" "}
										<span className={part.state === "new" ? "text-success" : "text-quiet"}>{STATES[part.state]}</span>
										<p className="text-quiet text-sm">{part.says}</p>
									</li>
								))}
							</ul>
							<button
								type="button"
								className="btn btn-secondary justify-self-start"
								disabled={apply.isPending}
								onClick={() => apply.mutate(body)}
							>
								{apply.isPending ? "Adding it…" : "Add it"}
							</button>
						</>
					)}
				</Sheet>
			)}
		</section>
	);
}

/** The faults of a refused set, by file. */
function Refused({ error }: { error: Error }) {
	return (
		<Notice>
			<p>Nothing of the set was brought in.</p>
			{error instanceof ApiError && error.problems.length > 0
				? error.problems.map((one) => (
						<div key={one.path + one.message}>
							<strong className="font-semibold">{one.path.split(" ")[0]}</strong>
							<ProblemLine problem={one} />
						</div>
					))
				: error.message}
		</Notice>
	);
}
