import type { ModuleRecords, ModuleSummary } from "../shared/api/schema";

export function Records({ one, counted }: { one: ModuleSummary; counted: ModuleRecords | undefined }) {
	const now = counted && (one.live && !one.off ? counted.live : counted.draft);
	const differs = one.state === "changed" && counted && counted.draft !== null && counted.draft !== counted.live;
	return (
		<div>
			<div className="text-lg font-semibold leading-tight">
				{counted ? (now ?? "–") : "…"}{" "}
				<span className="text-xs font-normal text-quiet">{now === 1 ? "record now" : "records now"}</span>
			</div>
			{differs && <div className="text-xs text-secondary">{counted.draft} in the draft</div>}
		</div>
	);
}
