import type { BlockControlProps } from "./props";

const WHEN_EMPTY: Record<string, string> = {
	leaveOut: "leave it out",
	leaveOutSlot: "leave its slot out",
	leaveOutBand: "leave its band out",
};

/** What happens if a block has nothing to show. */
export function WhenEmpty({ block, onChange }: BlockControlProps) {
	const now = (block.empty as { do?: string } | undefined)?.do ?? "leaveOut";
	return (
		<label className="grid gap-1">
			<span className="font-semibold">Where there is nothing to show</span>
			<select
				className="select select-sm"
				value={now}
				onChange={(event) => {
					const { empty: _, ...rest } = block;
					onChange(event.target.value === "leaveOut" ? rest : { ...rest, empty: { do: event.target.value } });
				}}
			>
				{Object.entries(WHEN_EMPTY).map(([key, words]) => (
					<option key={key} value={key}>
						{words}
					</option>
				))}
			</select>
		</label>
	);
}
