import type { Field, Linked } from "../shared/api/schema";
import { moment, useStart } from "../shared/api/start";

/** A field's value as text. */
export function ValueWords({ field, value, linked }: { field: Field; value: unknown; linked: Linked[] }) {
	const start = useStart();
	switch (field.family) {
		case "terms": {
			const terms = start.taxonomies.find((one) => one.key === field.key)?.terms ?? [];
			return <>{(value as string[]).map((slug) => terms.find((one) => one.slug === slug)?.name ?? slug).join(", ")}</>;
		}
		case "choice":
		case "choices":
			return (
				<>
					{[value].flat().map((key, i) => {
						const choice = field.choices.find((one) => one.key === key);
						return (
							<span key={String(key)} className="whitespace-nowrap">
								{i > 0 && ", "}
								{choice?.colour && (
									<span
										aria-hidden="true"
										className="inline-block size-2.5 rounded-full mr-1.5"
										style={{ background: choice.colour }}
									/>
								)}
								{choice?.label ?? String(key)}
							</span>
						);
					})}
				</>
			);
		case "instant":
			return <span className="whitespace-nowrap">{moment(start, String(value), field.origin === "type")}</span>;
		case "date":
			return (
				<span className="whitespace-nowrap">
					{moment({ ...start, site: { ...start.site, timeZone: "UTC" } }, `${String(value)}T00:00:00Z`, false)}
				</span>
			);
		case "items":
		case "person":
			return (
				<>
					{[value]
						.flat()
						.map((name) => linked.find((one) => one.name === name)?.title ?? String(name))
						.join(", ")}
				</>
			);
		case "place": {
			const { address, latitude, longitude } = value as { address?: string; latitude?: number; longitude?: number };
			return <>{address ?? `${latitude ?? "?"}, ${longitude ?? "?"}`}</>;
		}
		case "hours": {
			const days = Object.keys(value as object).length;
			return <>{days === 1 ? "one day" : `${days} days`}</>;
		}
		case "pictures":
			return <>{(value as string[]).length} pictures</>;
		case "yesNo":
			return <>{value ? "yes" : "no"}</>;
		case "number":
			return field.kind === "money"
				? new Intl.NumberFormat(start.site.locale, { style: "currency", currency: start.site.currency }).format(
						Number(value),
					)
				: field.unit
					? `${String(value)} ${field.unit}`
					: String(value);
		default:
			return field.kind === "colour" ? (
				<>
					<span
						aria-hidden="true"
						className="inline-block size-3 rounded mr-1.5 align-middle"
						style={{ background: String(value) }}
					/>
					{String(value)}
				</>
			) : (
				String(value)
			);
	}
}
