import { Link } from "react-router";
import type { ModuleRecords, ModuleSummary } from "../shared/api/schema";
import { moment, useStart } from "../shared/api/start";
import { Records } from "./ModuleRecords";
import { StateMark } from "./StateMark";

/** One module in the list: its sentence, its places, its number of records, and its last change. */
export function ModuleLine({
	one,
	counted,
	isPicked,
	onPick,
	isBusy,
	onDuplicate,
}: {
	one: ModuleSummary;
	counted: ModuleRecords | undefined;
	isPicked: boolean;
	onPick: () => void;
	isBusy: boolean;
	onDuplicate: () => void;
}) {
	const start = useStart();
	return (
		<li
			className="grid grid-cols-[auto_minmax(0,1fr)] md:grid-cols-[auto_minmax(0,1fr)_10rem_9.5rem] gap-x-4 md:gap-x-5
			gap-y-1 px-4 md:px-5 py-4"
		>
			<input
				type="checkbox"
				className="checkbox checkbox-sm mt-1.5"
				aria-label={`Choose ${one.name}`}
				checked={isPicked}
				onChange={onPick}
			/>
			<div className="min-w-0">
				<div className="flex flex-wrap items-baseline gap-x-3">
					<Link to={`/modules/${one.key}`} className="font-serif text-xl font-semibold hover:underline">
						{one.name}
					</Link>
					<StateMark one={one} />
				</div>
				{one.line && <p className="text-quiet mt-0.5">{one.line}</p>}
				{one.problem && <p className="text-secondary mt-0.5">{one.problem}</p>}
			</div>
			<div className="md:pt-1 max-md:col-start-2">
				<div className="text-xs text-quiet">Where it stands</div>
				{one.places.length === 0 && <span className="text-secondary">nowhere yet</span>}
				{one.places.slice(0, 4).map((at) => (
					<span key={at.words} className={`block py-0.5 leading-6 ${at.state === "live" ? "" : "text-quiet"}`}>
						<Link
							to={at.page ? `/pages/${at.page}` : at.how === "frame" ? "/pages/_frame" : "/modules"}
							className="hover:underline"
						>
							{at.words}
						</Link>
					</span>
				))}
				{one.places.length > 4 && <span className="text-quiet">and {one.places.length - 4} more</span>}
			</div>
			<div className="md:text-right md:pt-1 max-md:col-start-2">
				<Records one={one} counted={counted} />
				<div className="text-xs text-quiet">
					changed {moment(start, one.savedAt, false)}
					{one.by && ` by ${one.by}`}
				</div>
				<button type="button" className="plain-add text-sm" disabled={isBusy} onClick={onDuplicate}>
					Duplicate
					<span className="sr-only"> {one.name}</span>
				</button>
			</div>
		</li>
	);
}
