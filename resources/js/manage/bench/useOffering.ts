import { useMutation } from "@tanstack/react-query";
import { post } from "../shared/api/api";
import type { Definition, Offer } from "../shared/api/schema";
import type { Bench } from "./useBench";

/** Turns a rule into a choice for visitors, or a filter into a rule. The server computes the new definition. */
export function useOffering(bench: Bench) {
	const { mutate } = useMutation({
		mutationFn: (rule: string) =>
			post("/bench/offer", {
				body: {
					...bench.previewContext,
					definition: bench.definition,
					rule,
				},
			}),
		onSuccess: ({ definition }) => bench.change(definition),
	});
	return { turn: (rule: string) => mutate(rule) };
}

/** Changes the offer; an empty offer is removed. */
export function useSetOffer({ definition, change }: Bench) {
	return (next: Offer, tag: string | null = null) => {
		const said = Object.fromEntries(
			Object.entries(next).filter(([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0)),
		);
		const isNothing = !["filters", "orders", "sizes", "arrangements"].some((key) => key in said);
		const { offer: _, ...rest } = definition;
		change(
			(isNothing ? rest : { ...rest, offer: { ...said, key: definition.offer?.key ?? definition.key } }) as Definition,
			tag,
		);
	};
}
