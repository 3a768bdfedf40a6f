import { useQueries } from "@tanstack/react-query";
import { type Answer, get } from "./api";

/** Number of keys in one request. */
const AT_ONCE = 8;

type Path = "/modules/records" | "/modules/starts/records";

type Counted<P extends Path> = Answer<P, "get"> extends Record<string, infer C> ? C : never;

/** The server's counts for each key. The list of keys shows at once; the counts arrive in chunks. */
export function useByChunks<P extends Path>(path: P, keys: string[]): Map<string, Counted<P>> {
	const chunks = Array.from({ length: Math.ceil(keys.length / AT_ONCE) }, (_, i) =>
		keys.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
	);
	return useQueries({
		queries: chunks.map((chunk) => ({
			queryKey: [...path.split("/").filter(Boolean), chunk],
			queryFn: ({ signal }: { signal: AbortSignal }): Promise<Answer<Path, "get">> =>
				get<Path>(path, { params: { query: { "keys[]": chunk } }, signal }),
		})),
		combine: (answers) => new Map(answers.flatMap((answer) => Object.entries(answer.data ?? {}))),
	});
}
