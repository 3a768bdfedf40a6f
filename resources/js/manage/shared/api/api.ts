import type { Problem, Task } from "./schema";
export class ApiError extends Error {
	/** @param status of the answer; 0 where none came */
	constructor(
		readonly status: number,
		message: string,
		readonly problems: Problem[] = [],
		readonly body: Record<string, unknown> = {},
	) {
		super(message);
	}

	/** Whether the same may well succeed a little later. */
	get isPassing(): boolean {
		return this.status === 0 || this.status === 429 || this.status >= 500;
	}
}

/**
 * What someone else saved in the meantime, from an answer that refused a write for its old revision; null for any other
 * error. A form keeps what was typed and takes the newer revision, so saving again replaces the other's change.
 */
export function savedByOther<T>(error: Error | null, key: "media" | "person"): T | null {
	return error instanceof ApiError && error.status === 409 ? ((error.body[key] as T | undefined) ?? null) : null;
}

export interface RequestOptions {
	/** ends the request before it is answered */
	signal?: AbortSignal;
	/** sent while the page is being left: browsers take but little then, see fitsLeaving() */
	leaving?: boolean;
}

export const base = "/manage/api";

/** What browsers send of pages that are being left: 64 KiB in all (Fetch Standard, "inflight keepalive bytes"). */
const LEAVING_BYTES = 60 * 1024;

/** Whether a body is small enough to be sent while the page is being left. */
export function fitsLeaving(body: string): boolean {
	return new Blob([body]).size <= LEAVING_BYTES;
}

/** Ends whatever is on its way when the person signs out. */
let session = new AbortController();
let hasEnded = false;

let token = document.querySelector<HTMLMetaElement>("meta[name=csrf-token]")?.content ?? "";

/** Asks the person to sign in again; set by the component that does. Resolves once they have. */
let askToSignIn: (() => Promise<void>) | null = null;
let askedAlready: Promise<void> | null = null;

export function onSignedOut(ask: (() => Promise<void>) | null): void {
	askToSignIn = ask;
}

function signedInAgain(): Promise<void> {
	askedAlready ??= (askToSignIn?.() ?? Promise.reject(new Error("Nobody can be asked."))).finally(() => {
		askedAlready = null;
	});
	return askedAlready;
}

/** Fetches the token that writes carry: the one of the page is another's after a new sign-in. */
async function renewToken(): Promise<void> {
	const response = await fetch(`${base}/token`, { headers: { Accept: "application/json" } });
	if (response.ok) {
		token = ((await response.json()) as { token: string }).token;
	}
}

/** The faults of a form that Laravel checks, as those that core finds. */
function problemsOf(body: { errors?: Record<string, string[]> }): Problem[] {
	return Object.entries(body.errors ?? {}).map(([path, said]) => ({
		path,
		code: "wrongValue",
		message: said.join(" "),
	}));
}

function messageOf(status: number, body: { message?: string }, retryAfter: string | null): string {
	switch (status) {
		case 401:
			return "You are signed out.";
		case 413:
			return "This is too large for the server; files may have 60 MB.";
		case 419:
			return "This page is out of date. Load it again; what you typed is kept.";
		case 429:
			return `Too much was asked for at once. Try again in ${retryAfter ?? "a few"} seconds.`;
	}
	if (status >= 500) {
		return "Something went wrong on the server. Nothing is lost here; try again.";
	}
	return body.message ?? `The server answered ${status}.`;
}

async function fault(response: Response): Promise<ApiError> {
	const body = (await response.json().catch(() => ({}))) as Record<string, unknown> & {
		message?: string;
		problems?: Problem[];
		errors?: Record<string, string[]>;
	};
	if (Array.isArray(body.problems) && response.status < 500) {
		const said = body.problems.map((one) => (one.path ? `${one.path}: ${one.message}` : one.message));
		return new ApiError(response.status, said.join(" "), body.problems, body);
	}
	const message = messageOf(response.status, body, response.headers.get("Retry-After"));
	return new ApiError(response.status, message, problemsOf(body), body);
}

async function ask(
	method: string,
	path: string,
	body: string | FormData | undefined,
	options: RequestOptions,
): Promise<Response> {
	const signals = [session.signal, ...(options.signal ? [options.signal] : [])];
	try {
		return await fetch(base + path, {
			method,
			keepalive: options.leaving ?? false,
			signal: options.leaving ? undefined : AbortSignal.any(signals),
			headers: {
				Accept: "application/json",
				...(method === "GET" ? {} : { "X-CSRF-TOKEN": token }),
				...(typeof body === "string" ? { "Content-Type": "application/json" } : {}),
			},
			body,
		});
	} catch (error) {
		if (error instanceof DOMException && error.name === "AbortError") {
			throw error;
		}
		throw new ApiError(0, "There is no connection to the server. What you did is kept here; try again.");
	}
}

/** The one place where answers are understood, whatever they are. */
async function request(
	method: string,
	path: string,
	body: string | FormData | undefined,
	options: RequestOptions,
): Promise<Response> {
	if (hasEnded) {
		// The page is on its way out: nobody waits for an answer.
		return new Promise(() => {});
	}
	let response = await ask(method, path, body, options);
	if (response.status === 419 && !options.leaving) {
		await renewToken();
		response = await ask(method, path, body, options);
	}
	if (response.status === 401 && askToSignIn && !options.leaving) {
		await signedInAgain();
		response = await ask(method, path, body, options);
	}
	if (!response.ok) {
		throw await fault(response);
	}
	return response;
}

export async function get<T>(path: string, signal?: AbortSignal): Promise<T> {
	const response = await request("GET", path, undefined, { signal });
	return (await response.json()) as T;
}

export async function send<T>(
	method: "POST" | "PUT" | "DELETE",
	path: string,
	body: unknown,
	options: RequestOptions = {},
): Promise<T> {
	const response = await request(method, path, body instanceof FormData ? body : JSON.stringify(body), options);
	return (await response.json()) as T;
}

type Watch = (task: Task | null) => void;
const watching = new Set<Watch>();

/** Tells a component of the tasks that this page waits for; null when one has ended. */
export function watchTasks(watch: Watch): () => void {
	watching.add(watch);
	return () => watching.delete(watch);
}

const POLL = 500;

/** The answer of work that may be long: at once, or when its task is done. Leaving the page does not end the work. */
export async function sendLong<T>(method: "POST" | "PUT", path: string, body: unknown): Promise<T> {
	return finished<T>(await send<T | { task: Task }>(method, path, body));
}

export async function finished<T>(answer: T | { task: Task }): Promise<T> {
	let now = answer;
	try {
		while (isTask(now)) {
			const { task } = now;
			for (const watch of watching) {
				watch(task);
			}
			await new Promise((resolve) => setTimeout(resolve, POLL));
			now = await get<T | { task: Task }>(`/tasks/${task.id}`);
		}
	} finally {
		if (isTask(answer)) {
			for (const watch of watching) {
				watch(null);
			}
		}
	}
	return now;
}

function isTask(answer: unknown): answer is { task: Task } {
	return typeof answer === "object" && answer !== null && "task" in answer;
}

/** Sends a file, telling how much of it is on its way (0 to 1). */
export function upload<T>(path: string, body: FormData, onProgress: (share: number) => void): Promise<T> {
	return new Promise<T | { task: Task }>((resolve, reject) => {
		const sending = new XMLHttpRequest();
		sending.open("POST", base + path);
		sending.setRequestHeader("Accept", "application/json");
		sending.setRequestHeader("X-CSRF-TOKEN", token);
		sending.upload.onprogress = (event) => event.lengthComputable && onProgress(event.loaded / event.total);
		sending.onerror = () => reject(new ApiError(0, "The connection broke; nothing was kept. Try again."));
		sending.onload = () => {
			const response = new Response(sending.responseText, { status: sending.status });
			if (response.ok) {
				response.json().then(resolve, reject);
			} else if (sending.status === 401 || sending.status === 419) {
				// A file is not sent a second time by itself.
				(sending.status === 419 ? renewToken() : signedInAgain()).then(
					() => reject(new ApiError(sending.status, "You were signed out. Choose the file once more.")),
					reject,
				);
			} else {
				fault(response).then(reject, reject);
			}
		};
		session.signal.addEventListener("abort", () => sending.abort());
		sending.send(body);
	}).then((answer) => finished<T>(answer));
}

/** Signs in again without leaving the page. */
export async function signIn(email: string, password: string): Promise<void> {
	await renewToken();
	const response = await ask("POST", "/sign-in", JSON.stringify({ email, password }), {});
	if (!response.ok) {
		throw await fault(response);
	}
	await renewToken();
}

type Flush = () => Promise<unknown>;
const flushes = new Set<Flush>();

/** What is to be kept before the person signs out. */
export function beforeSigningOut(flush: Flush): () => void {
	flushes.add(flush);
	return () => flushes.delete(flush);
}

/** How long signing out waits for what is still to be kept. */
const PATIENCE = 3000;

/** Keeps what is to be kept, ends all that is on its way, then signs out. */
export async function signOut(): Promise<void> {
	const all = Promise.allSettled([...flushes].map((flush) => flush()));
	await Promise.race([all, new Promise((resolve) => setTimeout(resolve, PATIENCE))]);
	session.abort();
	session = new AbortController();
	const leaving = ask("POST", "/sign-out", "{}", {});
	hasEnded = true;
	await leaving.catch(() => undefined);
}
