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
		readonly body: Record<string, unknown> = {},
	) {
		super(message);
	}
}

function token(): string {
	const found = document.cookie.split("; ").find((one) => one.startsWith("XSRF-TOKEN="));
	return found ? decodeURIComponent(found.slice("XSRF-TOKEN=".length)) : "";
}

/** The faults of a form that Laravel checks, as those that core finds. */
function problemsOf(body: { errors?: Record<string, string[]> }): Problem[] {
	return Object.entries(body.errors ?? {}).map(([path, said]) => ({
		path,
		code: "wrongValue",
		message: said.join(" "),
	}));
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
	throw new ApiError(
		response.status,
		body.message ?? `The server answered ${response.status}.`,
		problemsOf(body),
		body,
	);
}

const base = "/manage/api";

export async function get<T>(path: string): Promise<T> {
	return answer<T>(await fetch(base + path, { headers: { Accept: "application/json" } }));
}

export async function send<T>(
	method: "POST" | "PUT" | "DELETE",
	path: string,
	body: unknown,
	keepalive = false,
): Promise<T> {
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

/** Sends a file, telling how much of it is on its way (0 to 1). */
export function upload<T>(path: string, body: FormData, onProgress: (share: number) => void): Promise<T> {
	return new Promise((resolve, reject) => {
		const request = new XMLHttpRequest();
		request.open("POST", base + path);
		request.setRequestHeader("Accept", "application/json");
		request.setRequestHeader("X-XSRF-TOKEN", token());
		request.upload.onprogress = (event) => event.lengthComputable && onProgress(event.loaded / event.total);
		request.onerror = () => reject(new ApiError(0, "The connection broke; nothing was kept."));
		request.onload = () => {
			const tooLarge = request.status === 413;
			answer<T>(
				new Response(
					tooLarge ? JSON.stringify({ message: "The file is too large; 60 MB is the most." }) : request.responseText,
					{
						status: request.status,
					},
				),
			).then(resolve, reject);
		};
		request.send(body);
	});
}
