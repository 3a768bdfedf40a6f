import type { FieldSchema } from "../shared/api/schema";
import { choicesOf } from "./typeFile";

export function Default({ schema, onChange }: { schema: FieldSchema; onChange: (value: unknown) => void }) {
	const { kind } = schema["x-wellspring"];
	const now = schema.default;
	if (kind === "yesNo" || kind === "choice") {
		const options =
			kind === "yesNo"
				? [
						{ key: "yes", label: "yes" },
						{ key: "no", label: "no" },
					]
				: choicesOf(schema).map((one) => ({ key: one.key, label: one.label || one.key }));
		return (
			<select
				className="select w-full"
				value={now === true ? "yes" : now === false ? "no" : typeof now === "string" ? now : ""}
				onChange={(event) =>
					onChange(
						event.target.value === ""
							? undefined
							: kind === "yesNo"
								? event.target.value === "yes"
								: event.target.value,
					)
				}
			>
				<option value="">nothing</option>
				{options.map((one) => (
					<option key={one.key} value={one.key}>
						{one.label}
					</option>
				))}
			</select>
		);
	}
	const type = kind === "number" || kind === "money" ? "number" : kind === "date" ? "date" : "text";
	return (
		<input
			type={type}
			step="any"
			className="input w-full"
			value={typeof now === "string" || typeof now === "number" ? now : ""}
			onChange={(event) =>
				onChange(
					event.target.value === "" ? undefined : type === "number" ? Number(event.target.value) : event.target.value,
				)
			}
		/>
	);
}
