/** The texts of the site's own scripts. The page brings them in its language. */
const patterns = JSON.parse(
	document.querySelector<HTMLMetaElement>("meta[name=site-words]")?.content ?? "{}",
) as Record<string, string>;

/** A text with its values filled in. */
export function say(key: string, values: Record<string, string | number> = {}): string {
	return (patterns[key] ?? "").replace(/\{(\w+)\}/g, (_, name: string) => String(values[name] ?? ""));
}
