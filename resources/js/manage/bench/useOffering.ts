import { useMutation } from "@tanstack/react-query";
import { send } from "../shared/api";
import type { Definition } from "../shared/schema";
import type { Bench } from "./useBench";

/** Gives a rule to visitors to choose, or makes a filter of theirs a rule again: the server says what becomes of it. */
export function useOffering(bench: Bench) {
	const { mutate } = useMutation({
		mutationFn: (rule: string) =>
			send<{ definition: Definition }>("POST", "/bench/offer", {
				...bench.previewContext,
				definition: bench.definition,
				rule,
			}),
		onSuccess: ({ definition }) => bench.change(definition),
	});
	return { turn: (rule: string) => mutate(rule) };
}
