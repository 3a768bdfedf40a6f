import { CardLines } from "../../shared/card/CardLines";
import { useSource } from "../source";
import type { EditorProps } from "./props";

/** What stands on each card: lines of parts, with what the first card shows. */
export function CardEditor({ bench, preview, at }: EditorProps & { at: string }) {
	const { definition, change } = bench;
	return (
		<CardLines
			type={useSource()}
			lines={definition.card.lines}
			at={at}
			sample={preview.sample}
			onChange={(lines, tag) => change({ ...definition, card: { lines } }, tag)}
		/>
	);
}
