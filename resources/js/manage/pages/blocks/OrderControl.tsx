import { useQuery } from "@tanstack/react-query";
import { get } from "../../shared/api/api";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { moduleOptions } from "../../shared/toldApart";
import type { BlockControlProps } from "./props";
import { useBlockOffers } from "./useBlockOffers";

/** The module whose order decides about the previous and next record. */
export function OrderControl({ block, about, onChange }: BlockControlProps) {
	const modules = useQuery({
		queryKey: ["modules"],
		queryFn: ({ signal }) => get("/modules", { signal }),
	});
	const orders = useBlockOffers(about).data?.orders ?? [];
	return (
		<div className="grid gap-1">
			<span className="font-semibold">In the order of</span>
			<PickByTyping
				label="In the order of which module"
				placeholder="find by name"
				options={moduleOptions((modules.data ?? []).filter((one) => orders.includes(one.key)))}
				value={block.order ?? null}
				onPick={(key) => key !== null && onChange({ ...block, order: key })}
			/>
		</div>
	);
}
