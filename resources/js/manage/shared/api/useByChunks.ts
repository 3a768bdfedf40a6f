import { useQueries } from "@tanstack/react-query";
import { get } from "./api";

/** So many are counted by one request. */
const AT_ONCE = 8;

/** What the server counts of each key, as it is counted: the list of them does not wait for it. */
export function useByChunks<T>(path: string, keys: string[]): Map<string, T> {
	const chunks = Array.from({ length: Math.ceil(keys.length / AT_ONCE) }, (_, i) =>
		keys.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
	);
	return useQueries({
		queries: chunks.map((chunk) => ({
			queryKey: [...path.split("/").filter(Boolean), chunk],
			queryFn: ({ signal }: { signal: AbortSignal }) =>
				get<Record<string, T>>(`${path}?${new URLSearchParams(chunk.map((key) => ["keys[]", key]))}`, signal),
		})),
		combine: (answers) => new Map(answers.flatMap((answer) => Object.entries(answer.data ?? {}))),
	});
}
