import createClient, { type MaybeOptionalInit } from "openapi-fetch";
import type { PathsWithMethod, ResponseObjectMap, SuccessResponse } from "openapi-typescript-helpers";
import type { paths, Task } from "./schema";
import { base, sendFile, sendInSession } from "./session";

export { ApiError } from "./faults";

type Method = "get" | "post" | "put" | "delete";
type PathOf<M extends Method> = PathsWithMethod<paths, M>;

/** The options of a request: parameters and a body; none for many paths. */
type InitOf<P extends PathOf<M>, M extends Method> =
	undefined extends MaybeOptionalInit<paths[P], M>
		? [init?: MaybeOptionalInit<paths[P], M>]
		: [init: MaybeOptionalInit<paths[P], M>];

/** The answer at a path, typed by the schema, such as `Answer<"/modules", "get">`. */
export type Answer<P extends PathOf<M>, M extends Method> =
	paths[P] extends Record<M, infer Operation extends object>
		? SuccessResponse<ResponseObjectMap<Operation>, "application/json">
		: never;

/** The query parameters of a path. */
export type Query<P extends PathOf<"get">> = NonNullable<paths[P]["get"]["parameters"]["query"]>;

const client = createClient<paths>({ baseUrl: base, fetch: sendInSession });

const METHODS = { get: "GET", post: "POST", put: "PUT", delete: "DELETE" } as const;

/** All requests of one method, typed by the schema of the API. */
function requestsOf<M extends Method>(method: M) {
	const request = client[METHODS[method]] as (path: string, init?: object) => Promise<{ data?: unknown }>;
	return async <P extends PathOf<M>>(path: P, ...[init]: InitOf<P, M>): Promise<Answer<P, M>> => {
		// sendInSession() throws if the server refuses. The schema gives the type of the data.
		const { data } = await request(path, init);
		return data as Answer<P, M>;
	};
}

export const get = requestsOf("get");
export const post = requestsOf("post");
export const put = requestsOf("put");
export const del = requestsOf("delete");

/** Options of a request during page unload; see fitsLeaving(). */
export const LEAVING = { keepalive: true } as const;

/** Browsers limit requests during page unload to 64 KiB in all (Fetch Standard, "inflight keepalive bytes"). */
const LEAVING_BYTES = 60 * 1024;

/** True if a body is small enough to be sent during page unload. */
export function fitsLeaving(body: string): boolean {
	return new Blob([body]).size <= LEAVING_BYTES;
}

type Watch = (task: Task | null) => void;
const watching = new Set<Watch>();

/** Reports the tasks that this page waits for; null at the end of one. */
export function watchTasks(watch: Watch): () => void {
	watching.add(watch);
	return () => watching.delete(watch);
}

const POLL = 500;

type Started = { task: Task };

/**
 * Waits for the answer of long work: at once, or when its task is done. The work continues if the person leaves the
 * page.
 */
export async function finished<T>(sent: Promise<T>): Promise<Exclude<T, Started>> {
	const answer: unknown = await sent;
	let now = answer;
	try {
		while (isTask(now)) {
			const { task } = now;
			for (const watch of watching) {
				watch(task);
			}
			await new Promise((resolve) => setTimeout(resolve, POLL));
			now = await get("/tasks/{task}", { params: { path: { task: task.id } } });
		}
	} finally {
		if (isTask(answer)) {
			for (const watch of watching) {
				watch(null);
			}
		}
	}
	return now as Exclude<T, Started>;
}

function isTask(answer: unknown): answer is Started {
	return typeof answer === "object" && answer !== null && "task" in answer;
}

/**
 * Sends a file.
 *
 * @param at the path's parameters
 * @param onProgress is given the share that has been sent (0 to 1)
 */
export function upload<P extends PathOf<"post">>(
	path: P,
	body: FormData,
	onProgress: (share: number) => void = () => {},
	at: Record<string, string | number> = {},
): Promise<Exclude<Answer<P, "post">, Started>> {
	const filled = path.replace(/\{(\w+)\}/g, (_, name: string) => encodeURIComponent(String(at[name])));
	return finished(sendFile(filled, body, onProgress) as Promise<Answer<P, "post">>);
}
