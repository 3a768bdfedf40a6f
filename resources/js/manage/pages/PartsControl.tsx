import { CardLines, partLabel } from "../shared/CardLines";
import { TextInput } from "../shared/inputs";
import type { PageBlock, PageFile, Part } from "../shared/schema";
import { useSubjectRecords } from "./subject";

/** What can happen where a part of the page's own item or term has nothing to show. */
const EMPTY: [NonNullable<Part["empty"]>["do"], string][] = [
	["leaveOut", "leave the part out"],
	["leaveOutLine", "leave its line out"],
	["leaveOutModule", "leave all the parts out"],
	["leaveOutSlot", "leave the slot out"],
	["leaveOutBand", "leave the band out"],
	["say", "say…"],
];

/** Lines of parts of what the page is about, each with what happens where it has nothing to show. */
export function PartsControl({
	block,
	about,
	onChange,
}: {
	block: PageBlock;
	about: PageFile["about"] | undefined;
	onChange: (next: PageBlock, tag?: string) => void;
}) {
	const records = useSubjectRecords(about);
	if (records === null) {
		return null;
	}
	return (
		<CardLines
			type={records}
			lines={block.card?.lines ?? []}
			onChange={(lines, tag) => onChange({ ...block, card: { lines } }, tag ?? undefined)}
			beside={(part, put) => <WhenEmpty label={partLabel(records, part)} part={part} put={put} />}
		/>
	);
}

function WhenEmpty({ label, part, put }: { label: string; part: Part; put: (next: Part) => void }) {
	const rule = part.empty ?? { do: "leaveOut" };
	const set = (next: Part["empty"]) => {
		const { empty: _, ...rest } = part;
		put(next === undefined || next.do === "leaveOut" ? rest : { ...rest, empty: next });
	};
	return (
		<>
			<select
				className="select select-xs w-auto max-w-40"
				aria-label={`When ${label} is empty`}
				value={rule.do}
				onChange={(event) => {
					const next = EMPTY.find(([key]) => key === event.target.value)?.[0] ?? "leaveOut";
					set(next === "say" ? { do: "say", text: "Not known" } : { do: next });
				}}
			>
				{EMPTY.map(([key, words]) => (
					<option key={key} value={key}>
						{words}
					</option>
				))}
			</select>
			{rule.do === "say" && (
				<TextInput
					label={`What to say instead of ${label}`}
					value={rule.text ?? ""}
					onChange={(text) => set({ do: "say", text })}
				/>
			)}
		</>
	);
}
