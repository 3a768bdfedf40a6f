import { Link } from "react-router";
import type { Problem } from "./api/schema";

/** What is wrong, in words; where something else has to be changed first, with the way there. */
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
