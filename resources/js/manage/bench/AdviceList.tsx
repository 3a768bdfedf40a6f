import { Lightbulb } from "lucide-react";
import { Link } from "react-router";
import type { BenchPreview, Definition } from "../shared/api/schema";
import type { Bench } from "./useBench";

/** Advice: problems that visitors would have, each with a cure. */
export function AdviceList({ bench, preview }: { bench: Bench; preview: BenchPreview }) {
	return preview.advice.length === 0 ? null : (
		<ul className="ml-[66px] mr-3 my-3 grid gap-2" aria-label="Advice">
			{preview.advice.map((one) => (
				<li
					key={`${one.code} ${one.at}`}
					className="flex flex-wrap items-baseline gap-x-3 gap-y-0.5 text-sm border-l-3 border-secondary/60 pl-2.5"
				>
					<Lightbulb size={13} aria-hidden="true" className="text-secondary self-center" />
					<span className="flex-1 min-w-40">{one.sentence}</span>
					{one.cure.definition ? (
						<button type="button" className="plain-add" onClick={() => bench.change(one.cure.definition as Definition)}>
							{one.cure.words}
						</button>
					) : (
						one.cure.to && (
							<Link to={one.cure.to} className="plain-add">
								{one.cure.words}
							</Link>
						)
					)}
				</li>
			))}
		</ul>
	);
}
