import type { BlockControlProps } from "./props";

export function VideoControl({ block, onChange }: BlockControlProps) {
	return (
		<label className="grid gap-1">
			<span className="font-semibold">File name or address</span>
			<input
				key={block.video}
				className="input input-sm"
				placeholder="planting.mp4 or https://…"
				defaultValue={block.video ?? ""}
				onBlur={(event) =>
					event.target.value !== block.video && onChange({ ...block, video: event.target.value.trim() })
				}
			/>
			<span className="text-quiet text-sm">
				A video of another site plays here if Settings names that site. Otherwise it is a link.
			</span>
		</label>
	);
}
