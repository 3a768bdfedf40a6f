import { useQuery } from "@tanstack/react-query";
import { get } from "../../../shared/api/api";
import type { Source } from "../../../shared/api/schema";
import { PickByTyping } from "../../../shared/fields/PickByTyping";

type Chosen = NonNullable<Source["pages"]>;

/** The pages of the source: all, those below one, or some by hand. */
export function PagesOfSite({ of, onChange }: { of: Chosen; onChange: (next: Chosen) => void }) {
	const pages = useQuery({
		queryKey: ["pages"],
		queryFn: ({ signal }) => get("/pages", { signal }),
	});
	const options = (pages.data ?? [])
		.filter((page) => !page.address.includes("{"))
		.map((page) => ({ key: page.address, label: `${page.title} (${page.address})` }));
	const only = of.only ?? [];
	return (
		<div className="grid gap-2.5">
			<div className="flex items-center gap-2">
				below
				<div className="w-64">
					<PickByTyping
						label="Below which page"
						placeholder="any, the whole site"
						options={options}
						value={of.under ?? null}
						onPick={(under) => {
							const { under: _, ...rest } = of;
							onChange(under === null ? rest : { ...rest, under });
						}}
					/>
				</div>
			</div>
			<fieldset className="flex flex-wrap items-center gap-1.5">
				<legend className="text-xs text-quiet mb-1">Only these pages. If none is chosen, all.</legend>
				{only.map((address) => (
					<button
						key={address}
						type="button"
						className="chip"
						aria-pressed="true"
						onClick={() => {
							const { only: _, ...rest } = of;
							const next = only.filter((one) => one !== address);
							onChange(next.length === 0 ? rest : { ...rest, only: next });
						}}
					>
						{address}
					</button>
				))}
				<div className="w-64">
					<PickByTyping
						label="Add a page"
						placeholder="add a page"
						options={options.filter((one) => !only.includes(one.key))}
						value={null}
						onPick={(address) => address !== null && onChange({ ...of, only: [...only, address] })}
					/>
				</div>
			</fieldset>
		</div>
	);
}
