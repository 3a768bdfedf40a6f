import { Link } from "react-router";
import type { LookMeasure } from "../shared/api/schema";

/** The effects of a look: pages, and the modules with a style of their own. */
export function Changes({ measure }: { measure: LookMeasure | undefined }) {
	return (
		<section className="grid gap-1.5">
			<h2 className="font-serif text-lg font-semibold">What this changes</h2>
			<p className="text-sm">
				{measure?.pages ?? 0} pages
				{(measure?.departing.length ?? 0) > 0 && (
					<>
						; {measure?.departing.length} {measure?.departing.length === 1 ? "module keeps" : "modules keep"} something
						of its own:{" "}
						{measure?.departing.map((one, i) => (
							<span key={one.key}>
								{i > 0 && ", "}
								<Link to={`/modules/${one.key}`} className="word">
									{one.label}
								</Link>
							</span>
						))}
					</>
				)}
			</p>
		</section>
	);
}
