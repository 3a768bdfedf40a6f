import { useState } from "react";
import { TextInput } from "../../shared/inputs";
import type { Bench } from "../useBench";

const DOES = {
	say: "say something",
	leaveOutModule: "leave the module out",
	leaveOutSlot: "leave its slot out",
	leaveOutBand: "leave its band out",
};

/** What happens when nothing is left to show: the module says something, or it gives way. */
export function WhenNothingEditor({ bench }: { bench: Bench }) {
	const { definition, change } = bench;
	const { whenNothing } = definition;
	const [said, setSaid] = useState(whenNothing.text ?? "There is nothing to show here at the moment.");
	const set = (to: keyof typeof DOES, text: string) =>
		change({ ...definition, whenNothing: to === "say" ? { do: to, text } : { do: to } }, "whenNothing");
	return (
		<div className="flex flex-wrap items-center gap-2">
			<select
				className="select select-sm w-auto"
				aria-label="What happens when nothing is left"
				value={whenNothing.do}
				onChange={(event) => set(event.target.value as keyof typeof DOES, said)}
			>
				{Object.entries(DOES).map(([key, words]) => (
					<option key={key} value={key}>
						{words}
					</option>
				))}
			</select>
			{whenNothing.do === "say" && (
				<TextInput
					label="What to say when nothing is left"
					className="grow"
					value={whenNothing.text ?? ""}
					onChange={(text) => {
						setSaid(text);
						set("say", text);
					}}
				/>
			)}
		</div>
	);
}
