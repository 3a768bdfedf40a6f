import type { Bench } from "../useBench";
import { TextInput } from "./inputs";

/** What the module says when nothing is left to show. */
export function WhenNothingEditor({ bench }: { bench: Bench }) {
	const { definition, change } = bench;
	return (
		<TextInput
			label="What to say when nothing is left"
			className="w-full"
			value={definition.whenNothing.text}
			onChange={(text) => change({ ...definition, whenNothing: { do: "say", text } }, "whenNothing")}
		/>
	);
}
