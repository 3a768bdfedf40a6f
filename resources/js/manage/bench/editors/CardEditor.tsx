import { CardLines } from "../../shared/card/CardLines";
import { useSource } from "../source";
import type { EditorProps } from "./props";

/** The layout of each card: lines of parts, with the values of the first record. */
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
