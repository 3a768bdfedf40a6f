import { useStart } from "../api/start";

/** Chooses an audience: everyone, or any of the others. */
export function AudienceControl({ value, onChange }: { value: unknown; onChange: (keys: string[]) => void }) {
	const { audiences } = useStart();
	const chosen = Array.isArray(value) ? value : ["everyone"];
	const toggle = (key: string) => {
		const next = chosen.includes(key) ? chosen.filter((one) => one !== key) : [...chosen, key];
		const some = key === "everyone" ? [] : next.filter((one) => one !== "everyone");
		onChange(some.length === 0 ? ["everyone"] : some);
	};
	return (
		<fieldset className="grid gap-1">
			<legend className="font-semibold mb-1">Who sees it</legend>
			{audiences.map((one) => (
				<label key={one.key} className="flex items-center gap-2 cursor-pointer">
					<input
						type="checkbox"
						className="checkbox checkbox-sm"
						checked={chosen.includes(one.key)}
						onChange={() => toggle(one.key)}
					/>
					{one.label}
				</label>
			))}
		</fieldset>
	);
}
