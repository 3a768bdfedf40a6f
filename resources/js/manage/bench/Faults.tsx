import { ApiError } from "../shared/api/api";
import { Notice } from "../shared/Notice";

/** What is wrong with a definition, fault by fault with its place; or what else went wrong. */
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
