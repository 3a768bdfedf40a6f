/** One fault the server found, with the place where it stands. */
export interface Problem {
	path: string;
	code: string;
	message: string;
}

export class ApiError extends Error {
	constructor(
		readonly status: number,
		message: string,
		readonly problems: Problem[] = [],
	) {
		super(message);
	}
}

function token(): string {
	const found = document.cookie.split("; ").find((one) => one.startsWith("XSRF-TOKEN="));
	return found ? decodeURIComponent(found.slice("XSRF-TOKEN=".length)) : "";
}

async function answer<T>(response: Response): Promise<T> {
	if (response.ok) {
		return (await response.json()) as T;
	}
	if (response.status === 401 || response.status === 419) {
		throw new ApiError(
			response.status,
			"You are signed out. Sign in again in another tab; what you did here is kept until then.",
		);
	}
	const body = await response.json().catch(() => ({}));
	if (Array.isArray(body.problems)) {
		const said = body.problems.map((one: Problem) => (one.path ? `${one.path}: ${one.message}` : one.message));
		throw new ApiError(response.status, said.join(" "), body.problems);
	}
	throw new ApiError(response.status, body.message ?? `The server answered ${response.status}.`);
}

const base = "/manage/api";

export async function get<T>(path: string): Promise<T> {
	return answer<T>(await fetch(base + path, { headers: { Accept: "application/json" } }));
}

export async function send<T>(method: "POST" | "PUT", path: string, body: unknown, keepalive = false): Promise<T> {
	const form = body instanceof FormData;
	return answer<T>(
		await fetch(base + path, {
			method,
			keepalive,
			headers: {
				Accept: "application/json",
				"X-XSRF-TOKEN": token(),
				...(form ? {} : { "Content-Type": "application/json" }),
			},
			body: form ? body : JSON.stringify(body),
		}),
	);
}
