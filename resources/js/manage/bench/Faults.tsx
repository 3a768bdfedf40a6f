import { ApiError } from "../shared/api/api";
import { Notice } from "../shared/Notice";

/** The problems of a definition, each with its place; or another error. */
export function Faults({ error }: { error: Error }) {
	return (
		<Notice>
			{error instanceof ApiError && error.problems.length > 0 ? (
				<ul>
					{error.problems.map((one) => (
						<li key={one.path + one.code}>
							<code>{one.path}</code> {one.message}
						</li>
					))}
				</ul>
			) : (
				error.message
			)}
		</Notice>
	);
}
