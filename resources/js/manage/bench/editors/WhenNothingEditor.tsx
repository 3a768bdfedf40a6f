import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { get } from "../../shared/api/api";
import { TextInput } from "../../shared/controls/inputs";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { RichText } from "../../shared/fields/RichText";
import { toldApart } from "../../shared/toldApart";
import { useSettled } from "../../shared/useSettled";
import type { Bench } from "../useBench";

const DOES = {
	say: "say something",
	html: "say something, with markup",
	show: "show another module",
	leaveOutModule: "leave the module out",
	leaveOutSlot: "leave its slot out",
	leaveOutBand: "leave its band out",
};

const TEXT = "There is nothing to show here at the moment.";

/** The rule for a module with nothing to show: a text, another module, or leaving it out. */
export function WhenNothingEditor({ bench }: { bench: Bench }) {
	const { definition, change } = bench;
	const { whenNothing } = definition;
	const [picking, setPicking] = useState(false);
	const does = whenNothing.do as keyof typeof DOES;
	const now = picking ? "show" : whenNothing.html !== undefined ? "html" : does;
	const set = (next: typeof whenNothing, tag: string | null = null) =>
		change({ ...definition, whenNothing: next }, tag);
	const choose = (to: keyof typeof DOES) => {
		setPicking(to === "show");
		if (to === "html") {
			set({ do: "say", html: `<p>${whenNothing.text ?? TEXT}</p>` });
		} else if (to === "say") {
			set({ do: "say", text: whenNothing.text ?? TEXT });
		} else if (to !== "show") {
			set({ do: to });
		}
	};
	return (
		<div className="grid gap-2">
			<select
				className="select select-sm w-auto"
				aria-label="What happens when nothing is left"
				value={now}
				onChange={(event) => choose(event.target.value as keyof typeof DOES)}
			>
				{Object.entries(DOES).map(([key, words]) => (
					<option key={key} value={key}>
						{words}
					</option>
				))}
			</select>
			{now === "say" && (
				<TextInput
					label="What to say when nothing is left"
					className="w-full"
					value={whenNothing.text ?? ""}
					onChange={(text) => set({ do: "say", text }, "whenNothing")}
				/>
			)}
			{now === "html" && (
				<RichText
					id="when-nothing"
					label="What to say when nothing is left"
					value={whenNothing.html ?? ""}
					onChange={(html) => html !== null && set({ do: "say", html }, "whenNothing")}
				/>
			)}
			{now === "show" && (
				<ModulePicker
					value={whenNothing.module ?? null}
					not={definition.key}
					onPick={(module) => {
						setPicking(false);
						set({ do: "show", module });
					}}
				/>
			)}
		</div>
	);
}

/** Another module, found by typing a part of its name. */
function ModulePicker({ value, not, onPick }: { value: string | null; not: string; onPick: (key: string) => void }) {
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const found = useQuery({
		queryKey: ["find modules", sought],
		queryFn: ({ signal }) => get("/find", { params: { query: { q: sought } }, signal }),
		enabled: sought.trim() !== "",
	});
	const options = (found.data ?? [])
		.filter((one) => one.to.startsWith("/modules/"))
		.map((one) => ({ key: one.to.replace("/modules/", ""), label: one.title }))
		.filter((one) => one.key !== not);
	const shown = toldApart(options, (key) => key);
	return (
		<PickByTyping
			id="when-nothing-module"
			label="The module that shows instead"
			placeholder={value ?? "type a part of its name"}
			options={shown}
			value={null}
			onWords={setWords}
			onPick={(key) => key !== null && onPick(key)}
		/>
	);
}
