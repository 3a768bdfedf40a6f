import type { ComponentType } from "react";
import type { Field, Option } from "../api/schema";
import { FieldControl } from "./FieldControl";
import { FlagControl } from "./FlagControl";
import { GroupControl } from "./GroupControl";
import { OneOfControl } from "./OneOfControl";
import { PointsControl } from "./PointsControl";
import type { OptionProps } from "./props";
import { SeveralControl } from "./SeveralControl";
import { WholeControl } from "./WholeControl";
import { WholesControl } from "./WholesControl";
import { WordsControl } from "./WordsControl";

const CONTROLS: Record<string, ComponentType<OptionProps>> = {
	oneOf: OneOfControl,
	field: FieldControl,
	flag: FlagControl,
	group: GroupControl,
	whole: WholeControl,
	words: WordsControl,
	several: SeveralControl,
	wholes: WholesControl,
	points: PointsControl,
};

/** The control of a plug-in's option, as described by the server. */
export function OptionControl({
	option,
	value,
	onChange,
	fields = [],
	word,
}: {
	option: Option;
	value: unknown;
	onChange: (next: unknown) => void;
	fields?: Field[];
	word?: string | undefined;
}) {
	const Control = CONTROLS[option.kind];
	const put = (next: unknown) => onChange(JSON.stringify(next) === JSON.stringify(option.default) ? undefined : next);
	return (
		Control && (
			<Control
				option={option}
				value={value}
				now={value ?? option.default}
				onChange={onChange}
				put={put}
				fields={fields}
				word={word}
			/>
		)
	);
}
