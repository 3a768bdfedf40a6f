import { Link } from "react-router";
import { useStart } from "../../shared/api/start";
import { OptionControl } from "../../shared/options/OptionControl";
import { withAt } from "../definition";
import type { Bench } from "../useBench";

/** The module's own style, where it differs from the site's look. */
export function DepartureEditor({ bench }: { bench: Bench }) {
	const { definition, change } = bench;
	const { departure } = useStart();
	const look = (definition.look ?? {}) as Record<string, unknown>;
	return (
		<div className="grid gap-2">
			{departure.map((option) => (
				<OptionControl
					key={option.key}
					option={option}
					value={look[option.key]}
					word={`look.${option.key}`}
					onChange={(next) => {
						const changed = withAt(look, option.key, next);
						change(withAt(definition, "look", Object.keys(changed).length === 0 ? undefined : changed));
					}}
				/>
			))}
			{Object.keys(look).length > 0 && (
				<button
					type="button"
					className="btn btn-sm justify-self-start"
					onClick={() => change(withAt(definition, "look", undefined))}
				>
					Take it all back to the site’s look
				</button>
			)}
			<Link to="/look" className="link text-sm justify-self-start">
				The site’s look
			</Link>
		</div>
	);
}
