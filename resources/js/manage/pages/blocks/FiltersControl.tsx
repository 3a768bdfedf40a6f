import { useQuery } from "@tanstack/react-query";
import { get } from "../../shared/api/api";
import { TextInput } from "../../shared/controls/inputs";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { moduleOptions } from "../../shared/toldApart";
import type { BlockControlProps } from "./props";

/** The module whose filters a block shows, some of the filters, and for a search form its target and button. */
export function FiltersControl({ block, onChange }: BlockControlProps) {
	const modules = useQuery({
		queryKey: ["modules"],
		queryFn: ({ signal }) => get("/modules", { signal }),
	});
	const all = (modules.data ?? []).filter((one) => one.filters.length > 0);
	const now = all.find((one) => one.key === block.of);
	const { filters: chosen, ...rest } = block;
	const isIn = (name: string) => chosen === undefined || chosen.includes(name);
	const leads = block.block === "searchForm";
	const toggle = (name: string) => {
		const names = (now?.filters ?? []).map((one) => one.name).filter((one) => (one === name ? !isIn(one) : isIn(one)));
		onChange(names.length === now?.filters.length ? rest : { ...rest, filters: names });
	};
	return (
		<div className="grid gap-2">
			<div className="grid gap-1">
				<span className="font-semibold">Of which listing</span>
				<PickByTyping
					label="Of which listing"
					placeholder="find by name"
					options={moduleOptions(all)}
					value={block.of ?? null}
					onPick={(key) => {
						const next = all.find((one) => one.key === key);
						if (next) {
							onChange({ ...rest, of: next.key, ...(leads ? { page: next.pages[0]?.address ?? "/" } : {}) });
						}
					}}
				/>
			</div>
			<fieldset className="grid gap-1">
				<legend className="font-semibold">Filters</legend>
				{now?.filters.map((one) => (
					<label key={one.name} className="flex items-center gap-2">
						<input
							type="checkbox"
							className="checkbox checkbox-sm"
							checked={isIn(one.name)}
							onChange={() => toggle(one.name)}
						/>
						{one.label}
					</label>
				))}
			</fieldset>
			{leads && (
				<>
					<div className="grid gap-1">
						<span className="font-semibold">Leads to the page</span>
						<TextInput
							label="Address of the page that it leads to"
							value={block.page ?? ""}
							onChange={(page) => page.startsWith("/") && onChange({ ...block, page }, "page")}
						/>
					</div>
					<div className="grid gap-1">
						<span className="font-semibold">The button says</span>
						<input
							key={block.button ?? ""}
							className="input input-sm"
							aria-label="The button says"
							placeholder="Show {total}"
							defaultValue={block.button ?? ""}
							onBlur={(event) => {
								const { button: _, ...plain } = block;
								const next = event.target.value.trim();
								if (next !== (block.button ?? "")) {
									onChange(next === "" ? plain : { ...plain, button: next });
								}
							}}
						/>
					</div>
				</>
			)}
		</div>
	);
}
