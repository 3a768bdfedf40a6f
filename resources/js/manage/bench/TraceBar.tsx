import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { send } from "../shared/api";
import type { Asked, Traced, TraceStep } from "../shared/types";
import { useSettled } from "../shared/useSettled";
import type { Bench } from "./useBench";

/** One question, answered for any record: why is it here, or not? */
export function TraceBar({
	bench,
	wanted,
	onWanted,
	onOpen,
}: {
	bench: Bench;
	wanted: Asked | null;
	onWanted: (next: Asked | null) => void;
	onOpen: (type: string, id: number) => void;
}) {
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const found = useQuery({
		queryKey: ["find any", sought, bench.definition.source],
		queryFn: ({ signal }) =>
			send<(Asked & { kind: string })[]>(
				"POST",
				"/bench/find",
				{ ...bench.previewContext, definition: bench.definition, words: sought },
				{ signal },
			),
		enabled: sought.trim() !== "",
	});
	const traced = useQuery({
		queryKey: ["trace", bench.definition, bench.previewContext, wanted?.item, wanted?.slug],
		queryFn: ({ signal }) =>
			send<Traced>(
				"POST",
				"/bench/trace",
				{
					...bench.previewContext,
					definition: bench.definition,
					...(wanted?.item ? { item: wanted.item } : { slug: wanted?.slug }),
				},
				{ signal },
			),
		enabled: wanted !== null,
	});
	const answer = traced.data;
	const pick = (next: Asked) => {
		onWanted(next);
		setWords("");
	};

	return (
		<section
			className="shrink-0 bg-base-100 border-t border-base-300 px-4 py-2.5 grid gap-2"
			aria-label="Why is it here, or not?"
		>
			<div className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
				<label htmlFor="trace-words" className="font-semibold">
					Why is it here, or not?
				</label>
				<div className="relative">
					<input
						id="trace-words"
						type="search"
						className="input input-sm w-60"
						placeholder={wanted?.title ?? "Any record, by its title"}
						value={words}
						autoComplete="off"
						onChange={(event) => setWords(event.target.value)}
						onKeyDown={(event) => {
							const first = found.data?.[0];
							if (event.key === "Enter" && first) {
								pick(first);
							}
						}}
					/>
					{words.trim() !== "" && found.data && (
						<ul className="absolute bottom-full mb-1 z-20 w-80 max-h-64 overflow-y-auto bg-base-100 border border-base-300 rounded-box shadow-lg p-1.5">
							{found.data.map((one) => (
								<li key={`${one.kind} ${one.item} ${one.slug}`}>
									<button
										type="button"
										className="w-full flex gap-3 text-left px-2 py-1 rounded-field hover:bg-accent focus:bg-accent cursor-pointer"
										onClick={() => pick(one)}
									>
										<span className="flex-1">{one.title}</span>
										<span className="text-quiet text-[0.82rem]">{one.kind}</span>
									</button>
								</li>
							))}
							{found.data.length === 0 && <li className="px-2 py-1 text-quiet">No items found.</li>}
						</ul>
					)}
				</div>
				{answer && (
					<p aria-live="polite" className="order-last basis-full">
						<span className={`font-semibold ${answer.shown ? "text-success" : "text-secondary"}`}>{answer.title}.</span>{" "}
						{answer.answer}
						{!answer.shown && answer.wouldStand !== null && (
							<span className="text-quiet">
								{" "}
								Had it passed it would stand at place {answer.wouldStand}, on page {answer.page}.
							</span>
						)}
						{answer.shown && answer.pages.length === 0 && (
							<span className="text-quiet"> The module stands on no page yet.</span>
						)}
					</p>
				)}
				{traced.error && <p className="text-secondary">{traced.error.message}</p>}
				{wanted && (
					<button type="button" className="plain-add" onClick={() => onWanted(null)}>
						Close
					</button>
				)}
			</div>
			{answer && (
				<div className="grid gap-2 max-h-[30vh] overflow-y-auto relative" tabIndex={-1}>
					<ol className="flex flex-wrap gap-1.5" aria-label="Rule by rule">
						{answer.steps.map((step, i) => (
							<Step key={step.step} step={step} number={i + 1} />
						))}
					</ol>
					<div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-[0.85rem]">
						{answer.ways.map((way) =>
							way.definition ? (
								<button
									key={way.words}
									type="button"
									className="plain-add"
									onClick={() => way.definition && bench.change(way.definition)}
								>
									{way.words}
								</button>
							) : (
								way.edit !== null && (
									<button
										key={way.words}
										type="button"
										className="plain-add"
										onClick={() => way.edit !== null && onOpen(answer.type, way.edit)}
									>
										{way.words}
									</button>
								)
							),
						)}
					</div>
				</div>
			)}
		</section>
	);
}

function Step({ step, number }: { step: TraceStep; number: number }) {
	const look =
		step.passed === false
			? "bg-warning text-warning-content font-semibold"
			: step.passed === null
				? "bg-base-200 text-quiet"
				: "bg-accent text-accent-content";
	return (
		<li className={`rounded-field px-2 py-0.5 text-[0.82rem] ${look}`} title={step.sentence}>
			{number} {step.label}{" "}
			<span aria-hidden="true">{step.passed === false ? "✗" : step.passed === null ? "–" : "✓"}</span>
			<span className="sr-only">
				{step.passed === false ? "not passed" : step.passed === null ? "not asked" : "passed"}: {step.sentence}
			</span>
		</li>
	);
}
