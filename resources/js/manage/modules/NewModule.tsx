import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { useNavigate } from "react-router";
import { get, post } from "../shared/api/api";
import type { StartingRecords } from "../shared/api/schema";
import { useByChunks } from "../shared/api/useByChunks";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";

/** A new module starts from a suggestion that fits the site's content. */
export function NewModule({ onClose }: { onClose: () => void }) {
	const client = useQueryClient();
	const go = useNavigate();
	const starts = useQuery({
		queryKey: ["starts"],
		queryFn: ({ signal }) => get("/modules/starts", { signal }),
	});
	const [words, setWords] = useState("");
	const [chosen, setChosen] = useState<string | null>(null);
	const [name, setName] = useState<string | null>(null);
	const wanted = words.trim().toLowerCase().split(/\s+/);
	const shown = (starts.data ?? []).filter((one) => {
		const found = [one.words, ...one.finds].join(" ").toLowerCase();
		return wanted.every((word) => found.includes(word));
	});
	const counted = useByChunks(
		"/modules/starts/records",
		(starts.data ?? []).map((one) => one.key),
	);
	const start = starts.data?.find((one) => one.key === chosen);
	const called = name ?? start?.words.split(/[:,]/)[0]?.trim() ?? "";
	const make = useMutation({
		mutationFn: () => post("/modules", { body: { name: called.trim(), definition: start?.definition ?? {} } }),
		onSuccess: (module) => {
			void client.invalidateQueries({ queryKey: ["modules"] });
			void go(`/modules/${module.key}`);
		},
	});
	return (
		<Sheet title="A new module" onClose={onClose} wide>
			<form
				className="grid gap-4"
				onSubmit={(event: FormEvent) => {
					event.preventDefault();
					make.mutate();
				}}
			>
				<label className="grid gap-1">
					<span className="text-quiet">What should it show? Every word of the sentence can be changed afterwards.</span>
					<input
						type="search"
						className="input w-full"
						placeholder="shop, news, gallery, calendar, team, FAQ…"
						aria-label="Find a sentence"
						value={words}
						onChange={(event) => setWords(event.target.value)}
					/>
				</label>
				<fieldset className="max-h-72 overflow-y-auto relative border border-base-300 rounded-box divide-y divide-base-300">
					<legend className="sr-only">Sentences to start from</legend>
					{shown.map((one) => (
						<label
							key={one.key}
							className="flex items-center gap-3 px-4 py-2 cursor-pointer has-[:checked]:bg-accent
								has-[:checked]:font-semibold"
						>
							<input
								type="radio"
								name="start"
								className="radio radio-sm"
								checked={chosen === one.key}
								onChange={() => {
									setChosen(one.key);
									setName(null);
								}}
							/>
							<span className="grow">{one.words}</span>
							<First of={counted.get(one.key)} />
						</label>
					))}
					{starts.data && shown.length === 0 && <p className="px-4 py-3 text-quiet">No sentences found.</p>}
				</fieldset>
				<div className="flex flex-wrap items-end gap-3">
					<label className="grid gap-1 grow">
						<span className="text-quiet">Name</span>
						<input
							className="input w-full"
							aria-label="Name of the new module"
							maxLength={200}
							required
							value={called}
							onChange={(event) => setName(event.target.value)}
						/>
					</label>
					<button className="btn btn-primary" type="submit" disabled={!start || called.trim() === "" || make.isPending}>
						Create
					</button>
				</div>
				{make.error && <Notice>{make.error.message}</Notice>}
			</form>
		</Sheet>
	);
}

/** The number of records that it would list now, and the first picture. */
function First({ of }: { of: StartingRecords | undefined }) {
	return (
		<>
			<span className="text-quiet font-normal text-xs whitespace-nowrap">
				{of === undefined ? "…" : of.records === 1 ? "1 record" : `${of.records.toLocaleString()} records`}
			</span>
			<span className="w-12 h-9 shrink-0">
				{of?.picture && (
					<img
						src={of.picture}
						alt=""
						title={of.first ?? undefined}
						width={48}
						height={36}
						loading="lazy"
						className="w-12 h-9 object-cover rounded"
					/>
				)}
			</span>
		</>
	);
}
