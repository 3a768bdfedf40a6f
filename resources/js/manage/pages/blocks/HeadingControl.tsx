import type { BlockControlProps } from "./props";

export function HeadingControl({ block, onChange }: BlockControlProps) {
	return (
		<label className="grid gap-1">
			<span className="font-semibold">Heading</span>
			<input
				className="input input-sm"
				value={block.text ?? ""}
				placeholder="Write here; visitors see nothing until then"
				onChange={(event) => onChange({ ...block, text: event.target.value }, "text")}
			/>
		</label>
	);
}
