/** A page of the site as a document, with its address. */
export interface FetchedPage {
	page: Document;
	status: number;
	address: URL;
}

/** Throws if the answer is not a page: status 200, or 404 if it does not exist. */
export async function fetchPage(address: string, signal?: AbortSignal): Promise<FetchedPage> {
	const answer = await fetch(address, { signal: signal ?? null });
	const isPage = (answer.headers.get("Content-Type") ?? "").startsWith("text/html");
	if (!isPage || !(answer.ok || answer.status === 404)) {
		throw new Error(`${answer.status}`);
	}
	const page = new DOMParser().parseFromString(await answer.text(), "text/html");
	return { page, status: answer.status, address: new URL(answer.url) };
}
