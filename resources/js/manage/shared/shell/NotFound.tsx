import { Link, useLocation } from "react-router";
import { Screen } from "../Screen";

/** The screen for addresses that do not exist. */
export function NotFound() {
	const { pathname } = useLocation();
	return (
		<Screen title="There is no screen at this address">
			<p>
				<code>/manage{pathname}</code> leads nowhere. It may be mistyped.{" "}
				<Link to="/" className="underline">
					Go to the first screen
				</Link>
				, or find what you look for by its name, at the top.
			</p>
		</Screen>
	);
}
