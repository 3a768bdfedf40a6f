import { TextInput } from "../controls/inputs";
import { NumberInput } from "../controls/NumberInput";
import type { OptionProps } from "./props";

interface Point {
	key: string;
	name: string;
	latitude: number;
	longitude: number;
}

/** Named points on the map. */
export function PointsControl({ option, now, put: onChange }: OptionProps) {
	const points = Array.isArray(now) ? (now as Point[]) : [];
	const put = (i: number, next: Partial<Point>) =>
		onChange(points.map((one, other) => (other === i ? { ...one, ...next } : one)));
	return (
		<fieldset className="grid gap-1.5 text-sm">
			<legend className="text-quiet">{option.label}</legend>
			{points.map((point, i) => (
				<div key={point.key} className="flex flex-wrap items-center gap-2">
					<TextInput
						label="What the point is called"
						value={point.name}
						className="w-36"
						onChange={(name) => put(i, { name })}
					/>
					<NumberInput
						label={`Latitude of ${point.name}`}
						value={point.latitude}
						min={-90}
						max={90}
						onChange={(latitude) => put(i, { latitude })}
					/>
					<NumberInput
						label={`Longitude of ${point.name}`}
						value={point.longitude}
						min={-180}
						max={180}
						onChange={(longitude) => put(i, { longitude })}
					/>
					<button
						type="button"
						className="plain-add"
						onClick={() => onChange(points.filter((_, other) => other !== i))}
					>
						Remove
					</button>
				</div>
			))}
			<button
				type="button"
				className="plain-add justify-self-start"
				onClick={() => {
					let n = points.length + 1;
					while (points.some((one) => one.key === `point-${n}`)) {
						n += 1;
					}
					onChange([...points, { key: `point-${n}`, name: `Point ${n}`, latitude: 0, longitude: 0 }]);
				}}
			>
				+ a point
			</button>
		</fieldset>
	);
}
