import type { PageBlock } from "../../shared/api/schema";
import { NumberInput } from "../../shared/controls/NumberInput";
import { Labelled } from "../../shared/fields/Labelled";
import { useSubjectRecords } from "../subject";
import type { BlockControlProps } from "./props";

const BY_HAND = "";

const ZOOM = 7;

/** The place of a map: from a field, or entered by hand. */
export function MapControl({ block, about, onChange }: BlockControlProps) {
	const records = useSubjectRecords(about);
	const places = records?.fields.filter((one) => one.family === "place" && records.own.includes(one.key)) ?? [];
	const { field: _, place, ...rest } = block;
	const put = (more: Partial<NonNullable<PageBlock["place"]>>) =>
		onChange({ ...rest, place: { address: "", latitude: 0, longitude: 0, ...place, ...more } }, "place");
	return (
		<>
			<Labelled label="Place" id="block-place">
				<select
					id="block-place"
					className="select select-sm"
					value={block.field ?? BY_HAND}
					onChange={(event) =>
						event.target.value === BY_HAND ? put({}) : onChange({ ...rest, field: event.target.value })
					}
				>
					{places.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
					<option value={BY_HAND}>given by hand</option>
				</select>
			</Labelled>
			{place && (
				<>
					<Labelled label="Address" id="block-address">
						<input
							id="block-address"
							className="input input-sm"
							value={place.address ?? ""}
							onChange={(event) => put({ address: event.target.value })}
						/>
					</Labelled>
					<div className="flex gap-3">
						<Labelled label="Latitude" id="block-latitude">
							<NumberInput
								label="Latitude"
								value={place.latitude ?? null}
								min={-90}
								max={90}
								onChange={(latitude) => put({ latitude: Number(latitude) })}
							/>
						</Labelled>
						<Labelled label="Longitude" id="block-longitude">
							<NumberInput
								label="Longitude"
								value={place.longitude ?? null}
								min={-180}
								max={180}
								onChange={(longitude) => put({ longitude: Number(longitude) })}
							/>
						</Labelled>
					</div>
				</>
			)}
			<Labelled label="Zoom, from 0 (the world) to 18 (a house)" id="block-zoom">
				<NumberInput
					label="Zoom"
					value={block.zoom ?? ZOOM}
					min={0}
					max={18}
					whole
					onChange={(zoom) => onChange({ ...block, zoom: Number(zoom) })}
				/>
			</Labelled>
		</>
	);
}
