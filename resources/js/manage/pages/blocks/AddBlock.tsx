import { useQuery } from "@tanstack/react-query";
import { useContext } from "react";
import { OverlayTriggerStateContext } from "react-aria-components";
import { get } from "../../shared/api/api";
import type { PageBlock, PageFile } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { Opening } from "../../shared/Fault";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { moduleOptions } from "../../shared/toldApart";
import { useBlockOffers } from "./useBlockOffers";

/** The modules and blocks that can be added to a slot; others are listed with the reason. */
export function AddBlock({ about, onAdd }: { about?: PageFile["about"]; onAdd: (block: PageBlock) => void }) {
	const { blocks } = useStart();
	const modules = useQuery({
		queryKey: ["modules"],
		queryFn: ({ signal }) => get("/modules", { signal }),
	});
	const offers = useBlockOffers(about);
	const label = (key: string) => blocks.find((one) => one.key === key)?.label ?? key;
	const popover = useContext(OverlayTriggerStateContext);
	const add = (block: PageBlock) => {
		onAdd(block);
		popover?.close();
	};
	const offered = offers.data?.blocks ?? [];
	const missing = offered.filter((one) => one.begin === null);
	return (
		<>
			<div className="grid gap-1">
				<span className="font-semibold">A module</span>
				<PickByTyping
					label="A module"
					placeholder="find by name"
					options={modules.data && moduleOptions(modules.data)}
					value={null}
					onPick={(key) => key !== null && add({ module: key })}
				/>
			</div>
			<fieldset className="grid gap-1">
				<legend className="font-semibold mb-1">Or something else</legend>
				{!offers.data && <Opening queries={[offers]} />}
				<div className="flex flex-wrap gap-1.5">
					{offered.map(
						({ key, begin }) =>
							begin && (
								<button key={key} type="button" className="chip" onClick={() => add(begin)}>
									{label(key)}
								</button>
							),
					)}
				</div>
			</fieldset>
			{missing.length > 0 && (
				<details className="text-sm">
					<summary className="cursor-pointer text-quiet">What cannot stand here, and why</summary>
					<ul className="grid gap-1 py-1">
						{missing.map((one) => (
							<li key={one.key}>
								<strong className="font-semibold">{label(one.key)}:</strong> {one.why}
							</li>
						))}
					</ul>
				</details>
			)}
		</>
	);
}
