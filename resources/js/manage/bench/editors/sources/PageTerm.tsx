import type { SourceControlProps } from "./props";
import { TaxonomyChips } from "./TaxonomyChips";

/** The term that the page is about: of one taxonomy, or of any. */
export function PageTerm({ source, onPick }: SourceControlProps) {
	return (
		<TaxonomyChips chosen={source.of} onPick={(of) => onPick({ page: "term", of })}>
			<button
				type="button"
				className="chip"
				aria-pressed={source.of === undefined}
				onClick={() => onPick({ page: "term" })}
			>
				any, with the fields that all terms have
			</button>
		</TaxonomyChips>
	);
}
