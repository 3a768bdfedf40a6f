import type { SettingsFile } from "../shared/api/schema";

type Site = NonNullable<SettingsFile["videoSites"]>[number];

const FIELDS: [keyof Site, string, string][] = [
	["name", "Name", "Example Video"],
	["host", "Host of the videos", "video.example"],
	["oembed", "Address that describes a video (oEmbed)", "https://video.example/oembed"],
	["frames", "Host of the frames", "player.video.example"],
];

/** The sites whose videos may play on this site. A video of any other site is a link. */
export function VideoSites({ sites, onChange }: { sites: Site[]; onChange: (next: Site[]) => void }) {
	const put = (at: number, next: Site) => onChange(sites.map((site, i) => (i === at ? next : site)));
	return (
		<div className="grid gap-4 sm:col-span-2">
			{sites.map((site, at) => (
				// biome-ignore lint/suspicious/noArrayIndexKey: a site has no key of its own, and its name is being typed.
				<fieldset key={at} className="grid sm:grid-cols-2 gap-x-5 gap-y-2 border-b border-base-300 pb-3">
					<legend className="sr-only">{site.name || "A new site"}</legend>
					{FIELDS.map(([key, label, hint]) => (
						<label key={key} className="grid gap-1 text-sm">
							{label}
							<input
								className="input input-sm w-full"
								placeholder={hint}
								value={site[key]}
								onChange={(event) =>
									put(at, { ...site, [key]: key === "name" ? event.target.value : event.target.value.trim() })
								}
							/>
						</label>
					))}
					<button
						type="button"
						className="btn btn-sm justify-self-start"
						onClick={() => onChange(sites.filter((_, i) => i !== at))}
					>
						Remove
					</button>
				</fieldset>
			))}
			<p className="text-quiet text-sm">
				Visitors load nothing from a site before they press Play. Only its frames are allowed.
			</p>
			<button
				type="button"
				className="btn btn-sm justify-self-start"
				onClick={() => onChange([...sites, { name: "", host: "", oembed: "", frames: "" }])}
			>
				Add a site
			</button>
		</div>
	);
}
