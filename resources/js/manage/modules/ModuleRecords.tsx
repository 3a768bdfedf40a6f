import { useQueries } from "@tanstack/react-query";
import { get } from "../shared/api";
import type { ModuleRecords, ModuleSummary } from "../shared/schema";

/** So many modules are counted by one request. */
const AT_ONCE = 8;

/** How many records each shows, as they are counted: the list does not wait for it. */
export function useRecords(keys: string[]): Map<string, ModuleRecords> {
	const chunks = Array.from({ length: Math.ceil(keys.length / AT_ONCE) }, (_, i) =>
		keys.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
	);
	return useQueries({
		queries: chunks.map((chunk) => ({
			queryKey: ["modules", "records", chunk],
			queryFn: ({ signal }) =>
				get<Record<string, ModuleRecords>>(
					`/modules/records?${new URLSearchParams(chunk.map((key) => ["keys[]", key]))}`,
					signal,
				),
		})),
		combine: (answers) => new Map(answers.flatMap((answer) => Object.entries(answer.data ?? {}))),
	});
}

export function Records({ one, counted }: { one: ModuleSummary; counted: ModuleRecords | undefined }) {
	const now = counted && (one.live && !one.off ? counted.live : counted.draft);
	const differs = one.state === "changed" && counted && counted.draft !== null && counted.draft !== counted.live;
	return (
		<div>
			<div className="text-lg font-semibold leading-tight">
				{counted ? (now ?? "–") : "…"}{" "}
				<span className="text-[0.78rem] font-normal text-quiet">{now === 1 ? "record now" : "records now"}</span>
			</div>
			{differs && <div className="text-[0.78rem] text-secondary">{counted.draft} in the draft</div>}
		</div>
	);
}
