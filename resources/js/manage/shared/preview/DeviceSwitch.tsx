export const WIDTHS = [
	["Phone", 390],
	["Tablet", 820],
	["Laptop", 1280],
] as const;

export type Device = (typeof WIDTHS)[number][0];

export function DeviceSwitch({ device, onChange }: { device: Device; onChange: (device: Device) => void }) {
	return (
		<fieldset className="flex gap-3">
			<legend className="sr-only">Width of the page</legend>
			{WIDTHS.map(([name]) => (
				<button
					key={name}
					type="button"
					aria-pressed={device === name}
					onClick={() => onChange(name)}
					className={`cursor-pointer py-1 border-b-2
						${device === name ? "font-semibold border-secondary" : "text-quiet border-transparent hover:text-base-content"}`}
				>
					{name}
				</button>
			))}
		</fieldset>
	);
}
