import { OptionControl } from "./OptionControl";
import type { OptionProps } from "./props";

/** Related options, each with its own key below the group's key. */
export function GroupControl({ option, value, onChange, word }: OptionProps) {
	const said = (value ?? {}) as Record<string, unknown>;
	return (
		<details className="text-sm" open={Object.keys(said).length > 0}>
			<summary className="cursor-pointer py-0.5">{option.label}</summary>
			<div className="grid gap-1.5 pl-4 py-1">
				{option.options?.map((inner) => (
					<OptionControl
						key={inner.key}
						option={inner}
						value={said[inner.key]}
						word={word && `${word}.${inner.key}`}
						onChange={(next) => {
							const { [inner.key]: _, ...rest } = said;
							const changed = next === undefined ? rest : { ...rest, [inner.key]: next };
							onChange(Object.keys(changed).length === 0 ? undefined : changed);
						}}
					/>
				))}
			</div>
		</details>
	);
}
