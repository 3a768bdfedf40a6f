import { useState } from "react";
import type { PageBand } from "../../shared/api/schema";
import { ChoosePicture } from "../../shared/files/ChoosePicture";

type Ground = PageBand["ground"];

/** The site colours for a band's background. */
const COLOURS: [string, string][] = [
	["paper", "paper, the page’s own"],
	["bed", "bed, a quiet one"],
	["ink", "ink, with light text"],
	["leaf", "leaf, with light text"],
	["copper", "copper, with light text"],
];

/** The background of a band: none, a colour, a picture, or the picture of the page's record. */
export function GroundControl({ value, onChange }: { value: Ground; onChange: (ground: Ground) => void }) {
	/** True while the picture is not chosen yet. */
	const [wantsPicture, setWantsPicture] = useState(false);
	const isPicture = wantsPicture || value?.picture !== undefined;
	const now = isPicture ? "picture" : (value?.colour ?? (value?.page ? "page" : ""));
	return (
		<div className="grid gap-1.5">
			<label className="grid gap-1">
				<span className="font-semibold">Ground</span>
				<select
					className="select select-sm"
					value={now}
					onChange={({ target }) => {
						setWantsPicture(target.value === "picture");
						if (target.value !== "picture") {
							onChange(
								target.value === ""
									? undefined
									: target.value === "page"
										? { page: "picture" }
										: { colour: target.value },
							);
						}
					}}
				>
					<option value="">none of its own</option>
					{COLOURS.map(([key, words]) => (
						<option key={key} value={key}>
							{words}
						</option>
					))}
					<option value="page">the page’s own picture, under a veil</option>
					<option value="picture">a picture, under a veil</option>
				</select>
			</label>
			{now === "picture" && <ChoosePicture chosen={value?.picture} onPick={(picture) => onChange({ picture })} />}
		</div>
	);
}
