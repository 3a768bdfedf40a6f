import { ApiError, faultOf } from "./faults";

/** The absolute address of the API. */
export const base = new URL("/manage/api", document.baseURI).href;

/** Cancels all requests when the person signs out. */
let session = new AbortController();
let hasEnded = false;

let token = document.querySelector<HTMLMetaElement>("meta[name=csrf-token]")?.content ?? "";

/** Asks the person to sign in again; a component sets it. Resolves after the sign-in. */
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

/** Fetches a new token for writes, because a new sign-in makes the page's token invalid. */
async function renewToken(): Promise<void> {
	const response = await fetch(`${base}/token`, { headers: { Accept: "application/json" } });
	if (response.ok) {
		token = ((await response.json()) as { token: string }).token;
	}
}

/** Sends a copy of the request. Requests with `keepalive` continue after the session ends. */
async function sendOnce(request: Request): Promise<Response> {
	const copy = request.clone();
	copy.headers.set("Accept", "application/json");
	if (request.method !== "GET") {
		copy.headers.set("X-CSRF-TOKEN", token);
	}
	try {
		return await fetch(copy, request.keepalive ? {} : { signal: AbortSignal.any([session.signal, request.signal]) });
	} catch (error) {
		if (error instanceof DOMException && error.name === "AbortError") {
			throw error;
		}
		throw new ApiError(0, "There is no connection to the server. What you did is kept here; try again.");
	}
}

/**
 * Sends a request, if necessary again with a new token or after a new sign-in.
 *
 * @throws ApiError if the server refuses it or does not answer
 */
export async function sendInSession(request: Request): Promise<Response> {
	if (hasEnded) {
		// The page is closing, so nobody waits for an answer.
		return new Promise(() => {});
	}
	let response = await sendOnce(request);
	if (response.status === 419 && !request.keepalive) {
		await renewToken();
		response = await sendOnce(request);
	}
	if (response.status === 401 && askToSignIn && !request.keepalive) {
		await signedInAgain();
		response = await sendOnce(request);
	}
	if (!response.ok) {
		throw await faultOf(response);
	}
	return response;
}

/** Uploads a file and reports the sent share (0 to 1). It never uploads a file twice without being asked. */
export function sendFile(path: string, body: FormData, onProgress: (share: number) => void): Promise<unknown> {
	return new Promise<unknown>((resolve, reject) => {
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
				(sending.status === 419 ? renewToken() : signedInAgain()).then(
					() => reject(new ApiError(sending.status, "You were signed out. Choose the file once more.")),
					reject,
				);
			} else {
				faultOf(response).then(reject, reject);
			}
		};
		session.signal.addEventListener("abort", () => sending.abort());
		sending.send(body);
	});
}

const asJson = (path: string, body: unknown) =>
	new Request(base + path, {
		method: "POST",
		headers: { "Content-Type": "application/json" },
		body: JSON.stringify(body),
	});

/** Signs in again without leaving the page. */
export async function signIn(email: string, password: string): Promise<void> {
	await renewToken();
	const response = await sendOnce(asJson("/sign-in", { email, password }));
	if (!response.ok) {
		throw await faultOf(response);
	}
	await renewToken();
}

type Flush = () => Promise<unknown>;
const flushes = new Set<Flush>();

/** Registers a function that saves unsaved data before the person signs out. */
export function beforeSigningOut(flush: Flush): () => void {
	flushes.add(flush);
	return () => flushes.delete(flush);
}

/** Maximum time in milliseconds that signing out waits for unsaved data. */
const PATIENCE = 3000;

/** Saves unsaved data, cancels all other requests, then signs out. */
export async function signOut(): Promise<void> {
	const all = Promise.allSettled([...flushes].map((flush) => flush()));
	await Promise.race([all, new Promise((resolve) => setTimeout(resolve, PATIENCE))]);
	session.abort();
	session = new AbortController();
	const leaving = sendOnce(asJson("/sign-out", {}));
	hasEnded = true;
	await leaving.catch(() => undefined);
}
