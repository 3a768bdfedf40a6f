import { post } from "../../shared/api/api";
import type { PageAbout, PageFile } from "../../shared/api/schema";
import { moment, useStart } from "../../shared/api/start";
import { KeptText } from "../../shared/controls/KeptText";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { ScheduleControl, scheduled } from "../../shared/fields/ScheduleControl";
import { ChoosePicture } from "../../shared/files/ChoosePicture";
import { Word } from "../../shared/Word";
import { AboutControl } from "./AboutControl";
import type { PagePlanState } from "./usePagePlan";

/** The page's settings as a sentence whose words open in place. */
export function PageSentence({ plan }: { plan: PagePlanState }) {
	const { definition, change } = plan;
	const start = useStart();
	const set = (next: Partial<PageFile>, tag: string | null = null) => change({ ...definition, ...next }, tag);
	const without = (key: keyof PageFile) => {
		const { [key]: _, ...rest } = definition;
		change(rest as PageFile);
	};
	const check = async (address: string) => {
		const { about, key } = definition;
		const body = { address: address || "-", about, key };
		return (await post("/pages/address", { body }).catch(() => null))?.fault ?? null;
	};
	const take = (key: "title" | "address" | "description") => (value: string) => {
		if (value !== "") {
			set({ [key]: value });
		} else if (key === "description") {
			without(key);
		}
	};
	const audience = definition.audience ?? ["everyone"];
	const day = (key: "from" | "until", none: string) => {
		const value = definition[key];
		return value ? moment(start, value) : none;
	};
	const instant = (key: "from" | "until", label: string) => (
		<ScheduleControl
			value={definition}
			labels={{ [key]: label }}
			onChange={(end, value) => change(scheduled(definition, end, value))}
		/>
	);
	return (
		<div
			className="flex flex-wrap items-center gap-x-1.5 gap-y-1 px-4 md:px-5 py-2 bg-base-100 border-b border-base-300
			text-sm"
		>
			At
			<Word words={definition.address} label="Address">
				<KeptText label="Address" value={definition.address} onTake={take("address")} check={check} />
			</Word>
			{definition.about && (
				<>
					for
					<Word words={aboutWords(definition.about)} label="For which of them">
						<AboutControl
							definition={definition}
							about={definition.about}
							taxonomies={start.taxonomies}
							onChange={(about) => set({ about })}
						/>
					</Word>
				</>
			)}
			· called
			<Word words={definition.title} label="Title">
				<KeptText
					label="Title"
					value={definition.title}
					onTake={take("title")}
					check={(next) => (next === "" ? "A page needs a title." : null)}
				/>
				<label className="flex items-center gap-2">
					<input
						type="checkbox"
						className="checkbox checkbox-sm"
						checked={definition.showTitle !== false}
						onChange={(event) => (event.target.checked ? without("showTitle") : set({ showTitle: false }))}
					/>
					shown over the page
				</label>
				<KeptText label="Description" value={definition.description ?? ""} onTake={take("description")} />
			</Word>
			· shared with
			<Word
				words={definition.picture ?? (definition.about ? "its own picture" : "no picture")}
				label="Picture for sharing"
			>
				<p className="text-quiet text-sm">Those who share the page show it beside its title.</p>
				<ChoosePicture chosen={definition.picture} onPick={(picture) => set({ picture })} />
				{definition.picture && (
					<button type="button" className="btn btn-sm justify-self-start" onClick={() => without("picture")}>
						{definition.about ? "Back to its own picture" : "None"}
					</button>
				)}
			</Word>
			· in the menu
			<Word words={definition.menu ? `as ${definition.menu.label}` : "not by itself"} label="Menu">
				<KeptText
					label="Called in menus"
					placeholder="in none"
					value={definition.menu?.label ?? ""}
					onTake={(label) => (label === "" ? without("menu") : set({ menu: { label } }))}
				/>
			</Word>
			· seen by
			<Word
				words={audience.map((key) => start.audiences.find((one) => one.key === key)?.label ?? key).join(", ")}
				label="Who sees it"
			>
				<AudienceControl value={audience} onChange={(keys) => set({ audience: keys })} />
				<label className="flex items-center gap-2">
					<input
						type="checkbox"
						className="checkbox checkbox-sm"
						checked={definition.whenNotForYou === "signIn"}
						onChange={(event) => (event.target.checked ? set({ whenNotForYou: "signIn" }) : without("whenNotForYou"))}
					/>
					others are asked to sign in
				</label>
			</Word>
			from
			<Word words={day("from", "now on")} label="From">
				{instant("from", "Visitors get it from then on")}
			</Word>
			until
			<Word words={day("until", "further notice")} label="Until">
				{instant("until", "Visitors no longer get it from then on")}
			</Word>
		</div>
	);
}

function aboutWords({ under, only }: PageAbout): string {
	if (only && only.length > 0) {
		return `${only.slice(0, 2).join(", ")}${only.length > 2 ? "…" : ""} alone`;
	}
	return under ? `${under} and below` : "all of them";
}
