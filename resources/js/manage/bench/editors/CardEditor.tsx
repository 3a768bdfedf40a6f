import { CardLines } from "../../shared/CardLines";
import { useSource } from "../source";
import type { Bench } from "../useBench";

/** What stands on each card: lines of parts. */
export function CardEditor({ bench, at }: { bench: Bench; at: string }) {
	const { definition, change } = bench;
	return (
		<CardLines
			type={useSource()}
			lines={definition.card.lines}
			at={at}
			onChange={(lines, tag) => change({ ...definition, card: { lines } }, tag)}
		/>
	);
}
