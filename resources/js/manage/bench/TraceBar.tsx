import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { post } from "../shared/api/api";
import type { FoundRecord, TraceStep } from "../shared/api/schema";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { useSettled } from "../shared/useSettled";
import type { Bench } from "./useBench";

/** A traced record. Items have an id; terms, people and months have null and are known by their slug. */
export type Asked = Pick<FoundRecord, "item" | "slug" | "title">;

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
			post("/bench/find", { body: { ...bench.previewContext, definition: bench.definition, words: sought }, signal }),
		enabled: sought.trim() !== "",
	});
	const traced = useQuery({
		queryKey: ["trace", bench.definition, bench.previewContext, wanted?.item, wanted?.slug],
		queryFn: ({ signal }) =>
			post("/bench/trace", {
				body: {
					...bench.previewContext,
					definition: bench.definition,
					...(wanted?.item ? { item: wanted.item } : { slug: wanted?.slug }),
				},
				signal,
			}),
		enabled: wanted !== null,
	});
	const answer = traced.data;

	return (
		<section
			className="shrink-0 bg-base-100 border-t border-base-300 px-4 py-2.5 grid gap-2"
			aria-label="Why is it here, or not?"
		>
			<div className="flex flex-wrap items-center gap-x-3 gap-y-1.5">
				<label htmlFor="trace-words" className="font-semibold">
					Why is it here, or not?
				</label>
				<div className="w-60">
					<PickByTyping
						id="trace-words"
						label="Any record, by its title"
						placeholder={wanted?.title ?? "Any record, by its title"}
						options={found.data?.map((one) => ({ key: keyOf(one), label: one.title, beside: one.kind }))}
						value={null}
						onWords={setWords}
						onPick={(key) => onWanted(found.data?.find((one) => keyOf(one) === key) ?? null)}
						above
					/>
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
					<div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
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
		<li className={`rounded-field px-2 py-0.5 text-xs ${look}`} title={step.sentence}>
			{number} {step.label}{" "}
			<span aria-hidden="true">{step.passed === false ? "✗" : step.passed === null ? "–" : "✓"}</span>
			<span className="sr-only">
				{step.passed === false ? "not passed" : step.passed === null ? "not asked" : "passed"}: {step.sentence}
			</span>
		</li>
	);
}

function keyOf(one: FoundRecord): string {
	return `${one.kind} ${one.item ?? ""} ${one.slug}`;
}
