import { Link } from "react-router";
import type { Problem } from "./api/schema";

/** A problem in words, with a link to the place that must be changed first, if there is one. */
export function ProblemLine({ problem }: { problem: Problem }) {
	return (
		<p>
			{problem.message}
			{problem.link && (
				<>
					{" "}
					<Link to={problem.link} className="link font-semibold">
						Open it
					</Link>
				</>
			)}
		</p>
	);
}
