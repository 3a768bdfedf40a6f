import type { ModuleSummary } from "../shared/api/schema";
import { Sheet } from "../shared/Sheet";

/** Asks before modules are removed, and says where visitors will miss them. */
export function RemoveModules({
	modules,
	isBusy,
	onRemove,
	onClose,
}: {
	modules: ModuleSummary[];
	isBusy: boolean;
	onRemove: () => void;
	onClose: () => void;
}) {
	return (
		<Sheet
			title={modules.length === 1 ? `Remove “${modules[0]?.name}”?` : `Remove ${modules.length} modules?`}
			onClose={onClose}
		>
			<ul className="grid gap-1.5">
				{modules.map((one) => (
					<li key={one.key}>
						<strong>{one.name}</strong>{" "}
						{one.places.length === 0 ? (
							<span className="text-quiet">stands nowhere.</span>
						) : (
							<>
								stands {one.places.map((at) => at.words).join("; ")}
								{one.live && !one.off ? "; visitors will no longer see it there." : "; visitors do not see it now."}
							</>
						)}
					</li>
				))}
			</ul>
			<p className="text-quiet">You can undo this; its places and versions return with it.</p>
			<div className="flex gap-2">
				<button type="button" className="btn btn-secondary" disabled={isBusy} onClick={onRemove}>
					Remove
				</button>
				<button type="button" className="btn" onClick={onClose}>
					Keep
				</button>
			</div>
		</Sheet>
	);
}
