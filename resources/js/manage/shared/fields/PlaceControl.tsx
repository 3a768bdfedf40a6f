import { NumberInput } from "../controls/NumberInput";

interface Place {
	address?: string;
	latitude?: number;
	longitude?: number;
}

/** A place: an address, coordinates, or both. */
export function PlaceControl({
	id,
	value,
	onChange,
}: {
	id: string;
	value: unknown;
	onChange: (value: unknown) => void;
}) {
	const place = (value ?? {}) as Place;
	const set = (next: Place) => {
		const said = Object.fromEntries(
			Object.entries({ ...place, ...next }).filter(([, one]) => one !== undefined && one !== ""),
		);
		onChange(Object.keys(said).length === 0 ? null : said);
	};
	const degrees = (key: "latitude" | "longitude", label: string) => (
		<NumberInput
			label={label}
			className="w-full"
			placeholder={label}
			min={key === "latitude" ? -90 : -180}
			max={key === "latitude" ? 90 : 180}
			value={place[key] ?? null}
			onChange={(next) => set({ [key]: next })}
			onEmpty={() => set({ [key]: undefined })}
		/>
	);
	return (
		<div className="grid gap-2">
			<input
				type="text"
				className="input w-full"
				aria-label="Address"
				placeholder="Address"
				value={place.address ?? ""}
				onChange={(event) => set({ address: event.target.value })}
			/>
			<div className="grid grid-cols-2 gap-2" id={`${id}-degrees`}>
				{degrees("latitude", "Latitude")}
				{degrees("longitude", "Longitude")}
			</div>
		</div>
	);
}
