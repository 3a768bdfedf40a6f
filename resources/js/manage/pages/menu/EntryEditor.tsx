import type { MenuEntry } from "../../shared/api/schema";
import { AudienceControl } from "../../shared/fields/AudienceControl";

export function EntryEditor({
	entry,
	onChange,
}: {
	entry: MenuEntry;
	onChange: (next: MenuEntry, tag?: string) => void;
}) {
	const text = (key: "label" | "link", title: string, required: boolean) => (
		<label className="grid gap-1">
			<span className="font-semibold">{title}</span>
			<input
				className="input input-sm"
				defaultValue={entry[key] ?? ""}
				onBlur={(event) => {
					const value = event.target.value.trim();
					const { [key]: _, ...rest } = entry;
					if (value !== (entry[key] ?? "") && !(required && value === "")) {
						onChange(value === "" ? rest : { ...rest, [key]: value });
					}
				}}
				onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
			/>
		</label>
	);
	return (
		<>
			{entry.module === undefined && text("label", "Called", entry.link !== undefined)}
			{entry.link !== undefined && text("link", "Leads to", true)}
			<AudienceControl value={entry.audience} onChange={(audience) => onChange({ ...entry, audience })} />
		</>
	);
}
