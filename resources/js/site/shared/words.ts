/** The texts of the site's scripts, in the language of the page. */
let patterns: Record<string, string> | null = null;

function read(): Record<string, string> {
	const meta = document.querySelector<HTMLMetaElement>("meta[name=site-words]");
	return JSON.parse(meta?.content ?? "{}") as Record<string, string>;
}

/** A text with its values filled in. */
export function say(key: string, values: Record<string, string | number> = {}): string {
	patterns ??= read();
	return (patterns[key] ?? "").replace(/\{(\w+)\}/g, (_, name: string) => String(values[name] ?? ""));
}
