import { useStart } from "../../../shared/api/start";
import { PickByTyping } from "../../../shared/fields/PickByTyping";
import type { SourceControlProps } from "./props";
import { TaxonomyChips } from "./TaxonomyChips";

/** The terms of the source, and the types whose items are counted. */
export function TermsOfTaxonomy({ source, onNarrow, onPick }: SourceControlProps) {
	const { types, taxonomies } = useStart();
	const tree = taxonomies.find((one) => one.key === source.terms);
	return (
		<>
			<TaxonomyChips chosen={source.terms} onPick={(terms) => onPick({ terms })} />
			{tree && (
				<div className="flex flex-wrap items-center gap-4">
					{tree.tree && (
						<div className="flex items-center gap-2">
							below
							<div className="w-44">
								<PickByTyping
									label="Below which term"
									placeholder="any, the whole tree"
									options={tree.terms.map((one) => ({ key: one.slug, label: one.name }))}
									value={source.under ?? null}
									onPick={(under) => {
										const { under: _, ...rest } = source;
										onNarrow(under === null ? rest : { ...rest, under });
									}}
								/>
							</div>
						</div>
					)}
					<label className="flex items-center gap-2">
						<input
							type="checkbox"
							className="toggle toggle-sm"
							checked={source.used ?? false}
							onChange={(event) => {
								const { used: _, ...rest } = source;
								onNarrow(event.target.checked ? { ...rest, used: true } : rest);
							}}
						/>
						only those in use
					</label>
				</div>
			)}
			<fieldset className="flex flex-wrap gap-1.5">
				<legend className="text-xs text-quiet mb-1">
					Count items of these types. If none is chosen, publishing takes the types that the term’s page lists.
				</legend>
				{types.map((one) => {
					const counted = source.counting ?? [];
					const isCounted = counted.includes(one.key);
					return (
						<button
							key={one.key}
							type="button"
							className="chip"
							aria-pressed={isCounted}
							onClick={() => {
								const { counting: _, ...rest } = source;
								const next = isCounted ? counted.filter((key) => key !== one.key) : [...counted, one.key];
								onNarrow(next.length === 0 ? rest : { ...rest, counting: next });
							}}
						>
							{one.plural}
						</button>
					);
				})}
			</fieldset>
		</>
	);
}
