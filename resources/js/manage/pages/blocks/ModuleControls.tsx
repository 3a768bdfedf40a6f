import type { PageBlock } from "../../shared/api/schema";
import type { BlockControlProps } from "./props";

const LEVELS = [2, 3, 4, 5, 6];

/** The heading of a module on its page, and a link to its bench. */
export function ModuleControls({ block, onChange }: BlockControlProps) {
	const own = typeof block.heading === "string";
	const without = ({ heading: _, ...rest }: PageBlock) => rest;
	return (
		<>
			<a href={`/manage/modules/${block.module}`} className="link">
				Open the module
			</a>
			<label className="grid gap-1">
				<span className="font-semibold">Heading</span>
				<select
					className="select select-sm"
					value={block.heading === false ? "none" : own ? "own" : "name"}
					onChange={(event) =>
						onChange(
							event.target.value === "name"
								? without(block)
								: { ...block, heading: event.target.value === "none" ? false : "Heading" },
						)
					}
				>
					<option value="name">the module’s name</option>
					<option value="own">another</option>
					<option value="none">none</option>
				</select>
			</label>
			{own && (
				<input
					className="input input-sm"
					aria-label="The heading"
					value={String(block.heading)}
					onChange={(event) =>
						event.target.value !== "" && onChange({ ...block, heading: event.target.value }, "heading")
					}
				/>
			)}
			{block.heading !== false && (
				<label className="grid gap-1">
					<span className="font-semibold">Level of the heading</span>
					<select
						className="select select-sm"
						value={block.level ?? ""}
						onChange={(event) => {
							const { level: _, ...rest } = block;
							onChange(event.target.value === "" ? rest : { ...rest, level: Number(event.target.value) });
						}}
					>
						<option value="">automatic</option>
						{LEVELS.map((level) => (
							<option key={level} value={level}>
								{level}
							</option>
						))}
					</select>
					<span className="text-quiet text-sm">The page never skips a level.</span>
				</label>
			)}
		</>
	);
}
