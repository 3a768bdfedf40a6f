import type { Problem } from "./schema";

/** An error: the server refused a request, or the request did not reach it. */
export class ApiError extends Error {
	/** @param status of the answer; 0 if there was none */
	constructor(
		readonly status: number,
		message: string,
		readonly problems: Problem[] = [],
		readonly body: Record<string, unknown> = {},
	) {
		super(message);
	}

	/** True if the same request may succeed a little later. */
	get isPassing(): boolean {
		return this.status === 0 || this.status === 429 || this.status >= 500;
	}

	/** True if someone else saved a newer revision first. */
	get isStale(): boolean {
		return this.status === 409;
	}
}

/**
 * The newer state that someone else saved, from an answer with status 409; null for any other error. A form keeps the
 * typed values and takes the newer revision, so saving again overwrites the other change.
 */
export function savedByOther<T>(error: Error | null, key: "media" | "person"): T | null {
	return error instanceof ApiError && error.isStale ? ((error.body[key] as T | undefined) ?? null) : null;
}

/** Validation errors of Laravel, in the shape of core's problems. */
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

/** Makes the error of a server's answer. */
export async function faultOf(response: Response): Promise<ApiError> {
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
