import type { BlockControlProps } from "./props";

export function MenuControl({ block, onChange }: BlockControlProps) {
	return (
		<label className="grid gap-1">
			<span className="font-semibold">Which menu, by its key</span>
			<input
				className="input input-sm"
				value={block.menu ?? ""}
				onChange={(event) => event.target.value !== "" && onChange({ ...block, menu: event.target.value }, "menu")}
			/>
		</label>
	);
}
