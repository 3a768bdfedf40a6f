import type { Field } from "../shared/api/schema";
import { useStart } from "../shared/api/start";
import { Control } from "../shared/fields/Control";
import type { ControlProps } from "../shared/fields/props";
import { InPlace } from "./InPlace";
import { ValueWords } from "./ValueWords";

/** Kinds that are edited directly instead of shown as text; pictures are elsewhere. */
const ALWAYS_OPEN: Field["family"][] = ["longText", "file", "video"];

/** Kinds with several controls. */
const BLOCKS: Field["family"][] = ["choices", "place", "hours", "items"];

/** One field of an item in a line of its section. Its value opens in place. */
export function FieldInPlace({ props, gap }: { props: ControlProps; gap: string | undefined }) {
	const { people } = useStart();
	const { field, value, problem, onChange, linked = [] } = props;
	if (ALWAYS_OPEN.includes(field.family)) {
		return (
			<div className="basis-full min-w-0 max-w-2xl">
				<Control {...props} />
			</div>
		);
	}
	const isEmpty = value === null || value === undefined || (Array.isArray(value) && value.length === 0);
	const names = field.family === "person" ? people.map((one) => ({ name: one.email, title: one.name })) : linked;
	return (
		<InPlace
			id={`value-${field.key}`}
			label={field.label}
			words={
				isEmpty ? (
					gap || field.required ? (
						"empty"
					) : (
						<span className="font-normal">–</span>
					)
				) : (
					<ValueWords field={field} value={value} linked={names} />
				)
			}
			note={isEmpty ? (gap ?? (field.required ? "needed" : undefined)) : undefined}
			value={value}
			onChange={onChange}
			problem={problem}
			block={BLOCKS.includes(field.family)}
		>
			<Control {...props} inline={!BLOCKS.includes(field.family)} />
		</InPlace>
	);
}
