import { useQuery } from "@tanstack/react-query";
import { get } from "../../shared/api/api";
import type { ModuleSummary, PageBlock, PageFile, PlanBlock } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { AudienceControl } from "../../shared/fields/AudienceControl";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { RichText } from "../../shared/fields/RichText";
import { ScheduleControl, scheduled } from "../../shared/fields/ScheduleControl";
import { ChoosePicture } from "../../shared/files/ChoosePicture";
import { moduleOptions } from "../../shared/toldApart";
import { Word } from "../../shared/Word";
import { OF_SUBJECT, orderModules } from "./blockKinds";
import { moveBlock, type Place, removeBlock, setBlock } from "./edits";
import { FieldsControl } from "./FieldsControl";
import { FiltersControl } from "./FiltersControl";
import { MapControl } from "./MapControl";
import { MoveElsewhere } from "./MoveElsewhere";
import { PartsControl } from "./PartsControl";
import type { PagePlanState } from "./usePagePlan";
import { WhenEmpty } from "./WhenEmpty";

/** One block in its slot: what it is, whether it shows, and what can be said of it. */
export function BlockBox({ plan, place, shown }: { plan: PagePlanState; place: Place; shown: PlanBlock | undefined }) {
	const block = plan.definition.bands[place.band]?.slots[place.slot]?.blocks[place.at];
	if (!block) {
		return null;
	}
	const words = shown?.words ?? block.module ?? block.block ?? "";
	const name = `${place.band}.${place.slot}.${place.at}`;
	const isPointed = plan.pointed?.block === name;
	const point = () => plan.setPointed({ block: name, by: "plan" });
	return (
		// biome-ignore lint/a11y/noStaticElementInteractions: it only stands out on the page
		<div
			ref={(element) => {
				if (isPointed && plan.pointed?.by === "page") {
					element?.scrollIntoView({ block: "nearest" });
				}
			}}
			onPointerEnter={point}
			onPointerLeave={() => plan.setPointed(null)}
			onFocus={point}
			className={`min-w-0 break-words border border-base-300 border-l-3 rounded-field bg-base-100 px-2 py-1 text-sm
				cursor-grab ${isPointed ? "outline-2 outline-secondary" : ""}
				${shown && !shown.shown ? "border-l-base-300" : block.module ? "border-l-primary" : "border-l-[#b9b4a4]"}`}
		>
			<Word words={words} label={words}>
				<BlockEditor plan={plan} place={place} block={block} />
			</Word>
			{shown?.detail && <span className="ml-1.5 text-quiet text-xs">{shown.detail}</span>}
			{shown?.total != null && (
				<span className="ml-1.5 inline-block whitespace-nowrap rounded-full bg-accent px-1.5 text-xs">
					{shown.total} now
				</span>
			)}
			{shown?.why && <span className="ml-1.5 text-secondary text-xs">{shown.why}</span>}
		</div>
	);
}

export function BlockEditor({ plan, place, block }: { plan: PagePlanState; place: Place; block: PageBlock }) {
	const { definition, change } = plan;
	const set = (next: PageBlock, tag: string | null = null) =>
		change(setBlock(definition, place, next), tag && `${tag} ${place.band} ${place.slot} ${place.at}`);
	return (
		<>
			<OwnControls block={block} about={definition.about} onChange={set} />
			<AudienceControl value={block.audience} onChange={(audience) => set({ ...block, audience })} />
			<ScheduleControl value={block} onChange={(end, value) => set(scheduled(block, end, value))} />
			<MoveTo plan={plan} place={place} />
			<MoveElsewhere
				block={block}
				page={definition.key}
				from={definition.address}
				onLeave={() => change(removeBlock(definition, place))}
			/>
			<button
				type="button"
				className="btn btn-sm justify-self-start"
				onClick={() => change(removeBlock(definition, place))}
			>
				Remove
			</button>
		</>
	);
}

/** What a block says of its own. */
const SHAPES = [
	["own", "Its own"],
	["landscape", "Landscape"],
	["square", "Square"],
	["portrait", "Portrait"],
	["panorama", "Panorama"],
	["round", "Round"],
] as const;
const LEVELS = [2, 3, 4, 5, 6];

export function OwnControls({
	block,
	about,
	onChange,
}: {
	block: PageBlock;
	/** What the page is about; in the frame, nothing. */
	about?: PageFile["about"];
	onChange: (next: PageBlock, tag?: string) => void;
}) {
	if (block.module !== undefined) {
		const own = typeof block.heading === "string";
		const without = ({ heading: _, ...rest }: PageBlock) => rest;
		return (
			<>
				<a href={`/manage/modules/${block.module}`} className="link">
					Open the module
				</a>
				<label className="grid gap-1">
					<span className="font-semibold">Heading</span>
					<select
						className="select select-sm"
						value={block.heading === false ? "none" : own ? "own" : "name"}
						onChange={(event) =>
							onChange(
								event.target.value === "name"
									? without(block)
									: { ...block, heading: event.target.value === "none" ? false : "Heading" },
							)
						}
					>
						<option value="name">the module’s name</option>
						<option value="own">another</option>
						<option value="none">none</option>
					</select>
				</label>
				{own && (
					<input
						className="input input-sm"
						aria-label="The heading"
						value={String(block.heading)}
						onChange={(event) =>
							event.target.value !== "" && onChange({ ...block, heading: event.target.value }, "heading")
						}
					/>
				)}
				{block.heading !== false && (
					<label className="grid gap-1">
						<span className="font-semibold">Level of the heading</span>
						<select
							className="select select-sm"
							value={block.level ?? ""}
							onChange={(event) => {
								const { level: _, ...rest } = block;
								onChange(event.target.value === "" ? rest : { ...rest, level: Number(event.target.value) });
							}}
						>
							<option value="">automatic</option>
							{LEVELS.map((level) => (
								<option key={level} value={level}>
									{level}
								</option>
							))}
						</select>
						<span className="text-quiet text-sm">The page never skips a level.</span>
					</label>
				)}
			</>
		);
	}
	switch (block.block) {
		case "video":
			return (
				<>
					<label className="grid gap-1">
						<span className="font-semibold">File name or address</span>
						<input
							key={block.video}
							className="input input-sm"
							placeholder="planting.mp4 or https://…"
							defaultValue={block.video ?? ""}
							onBlur={(event) =>
								event.target.value !== block.video && onChange({ ...block, video: event.target.value.trim() })
							}
						/>
						<span className="text-quiet text-sm">
							A video of another site plays here if Settings names that site. Otherwise it is a link.
						</span>
					</label>
					<label className="flex items-center gap-2">
						<input
							type="checkbox"
							className="checkbox checkbox-sm"
							checked={block.loop ?? false}
							onChange={(event) => {
								const { loop: _, ...rest } = block;
								onChange(event.target.checked ? { ...rest, loop: true } : rest);
							}}
						/>
						An uploaded film begins again when it ends
					</label>
				</>
			);
		case "pagePicture":
			return (
				<>
					<label className="grid gap-1">
						<span className="font-semibold">Picture shape</span>
						<select
							className="select select-sm"
							value={block.shape ?? "own"}
							onChange={(event) => {
								const { shape: _, ...rest } = block;
								onChange(event.target.value === "own" ? rest : { ...rest, shape: event.target.value });
							}}
						>
							{SHAPES.map(([shape, label]) => (
								<option key={shape} value={shape}>
									{label}
								</option>
							))}
						</select>
					</label>
					<WhenEmpty block={block} onChange={onChange} />
				</>
			);
		case "heading":
			return (
				<label className="grid gap-1">
					<span className="font-semibold">Heading</span>
					<input
						className="input input-sm"
						value={block.text ?? ""}
						placeholder="Write here; visitors see nothing until then"
						onChange={(event) => onChange({ ...block, text: event.target.value }, "text")}
					/>
				</label>
			);
		case "text":
			return (
				<RichText
					id="block-text"
					label="Text"
					value={block.html ?? ""}
					onChange={(html) => onChange({ ...block, html: html ?? "" }, "html")}
				/>
			);
		case "field":
			return (
				<>
					<FieldsControl
						about={about}
						chosen={block.fields ?? []}
						onChange={(fields) => onChange({ ...block, fields })}
					/>
					<WhenEmpty block={block} onChange={onChange} />
				</>
			);
		case "parts":
			return <PartsControl block={block} about={about} onChange={onChange} />;
		case "map":
			return <MapControl block={block} about={about} onChange={onChange} />;
		case "previousNext":
			return <OrderControl block={block} about={about} onChange={onChange} />;
		case "filters":
		case "searchForm":
			return <FiltersControl block={block} onChange={onChange} />;
		case "menu":
			return (
				<label className="grid gap-1">
					<span className="font-semibold">Which menu, by its key</span>
					<input
						className="input input-sm"
						value={block.menu ?? ""}
						onChange={(event) => event.target.value !== "" && onChange({ ...block, menu: event.target.value }, "menu")}
					/>
				</label>
			);
		case "forAuthors":
			return <TypesControl chosen={block.types ?? []} onChange={(types) => onChange({ ...block, types })} />;
		case "picture":
			return <ChoosePicture chosen={block.picture} onPick={(picture) => onChange({ ...block, picture })} />;
		default:
			return OF_SUBJECT.includes(block.block ?? "") ? <WhenEmpty block={block} onChange={onChange} /> : null;
	}
}

/** The module in whose order the page's own item, term, month or person has one before and one after it. */
function OrderControl({
	block,
	about,
	onChange,
}: {
	block: PageBlock;
	about: PageFile["about"] | undefined;
	onChange: (next: PageBlock) => void;
}) {
	const modules = useQuery({
		queryKey: ["modules"],
		queryFn: ({ signal }) => get<ModuleSummary[]>("/modules", signal),
	});
	return (
		<div className="grid gap-1">
			<span className="font-semibold">In the order of</span>
			<PickByTyping
				label="In the order of which module"
				placeholder="find by name"
				options={moduleOptions(orderModules({ about, modules: modules.data ?? [] }))}
				value={block.order ?? null}
				onPick={(key) => key !== null && onChange({ ...block, order: key })}
			/>
		</div>
	);
}

/** Moves the block by keyboard: earlier or later in its slot, or to the end of another. */
function MoveTo({ plan: { definition, change }, place }: { plan: PagePlanState; place: Place }) {
	const blocks = definition.bands[place.band]?.slots[place.slot]?.blocks ?? [];
	const to = (at: number) => change(moveBlock(definition, place, { ...place, at }));
	return (
		<div className="flex flex-wrap items-center gap-1.5">
			<button type="button" className="btn btn-sm" disabled={place.at === 0} onClick={() => to(place.at - 1)}>
				Earlier
			</button>
			<button
				type="button"
				className="btn btn-sm"
				disabled={place.at >= blocks.length - 1}
				onClick={() => to(place.at + 1)}
			>
				Later
			</button>
			<div className="w-36">
				<PickByTyping
					label="Move to"
					placeholder="move to…"
					options={definition.bands.flatMap((one, band) =>
						one.slots.flatMap((_, slot) =>
							band === place.band && slot === place.slot
								? []
								: [{ key: `${band} ${slot}`, label: `band ${band + 1}, slot ${slot + 1}` }],
						),
					)}
					value={null}
					onPick={(picked) => {
						if (picked === null) {
							return;
						}
						const [band = 0, slot = 0] = picked.split(" ").map(Number);
						const at = definition.bands[band]?.slots[slot]?.blocks.length ?? 0;
						change(moveBlock(definition, place, { band, slot, at }));
					}}
				/>
			</div>
		</div>
	);
}

/** Which content types authors can begin an item of; at least one. */
function TypesControl({ chosen, onChange }: { chosen: string[]; onChange: (types: string[]) => void }) {
	const { types } = useStart();
	return (
		<fieldset className="grid gap-1">
			<legend className="font-semibold mb-1">Links to write a new…</legend>
			<div className="flex flex-wrap gap-1.5">
				{types.map((one) => {
					const isOn = chosen.includes(one.key);
					const next = isOn ? chosen.filter((key) => key !== one.key) : [...chosen, one.key];
					return (
						<button
							key={one.key}
							type="button"
							className="chip"
							aria-pressed={isOn}
							onClick={() => next.length > 0 && onChange(next)}
						>
							{one.label}
						</button>
					);
				})}
			</div>
			<p className="text-quiet text-sm">
				Only authors and managers who have signed in see this block. It takes no room for others.
			</p>
		</fieldset>
	);
}
