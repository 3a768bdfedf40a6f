import type { ComponentType } from "react";
import { useStart } from "../../shared/api/start";
import { RichText } from "../../shared/fields/RichText";
import { ChoosePicture } from "../../shared/files/ChoosePicture";
import { OptionControl } from "../../shared/options/OptionControl";
import { FieldsControl } from "./FieldsControl";
import { FiltersControl } from "./FiltersControl";
import { HeadingControl } from "./HeadingControl";
import { MapControl } from "./MapControl";
import { MenuControl } from "./MenuControl";
import { ModuleControls } from "./ModuleControls";
import { OrderControl } from "./OrderControl";
import { PartsControl } from "./PartsControl";
import type { BlockControlProps } from "./props";
import { TypesControl } from "./TypesControl";
import { VideoControl } from "./VideoControl";
import { WhenEmpty } from "./WhenEmpty";

/** Controls of blocks that need more than plain options. */
const CONTROLS: Record<string, ComponentType<BlockControlProps>> = {
	heading: HeadingControl,
	text: ({ block, onChange }) => (
		<RichText
			id="block-text"
			label="Text"
			value={block.html ?? ""}
			onChange={(html) => onChange({ ...block, html: html ?? "" }, "html")}
		/>
	),
	picture: ({ block, onChange }) => (
		<ChoosePicture chosen={block.picture} onPick={(picture) => onChange({ ...block, picture })} />
	),
	video: VideoControl,
	field: FieldsControl,
	parts: PartsControl,
	map: MapControl,
	previousNext: OrderControl,
	menu: MenuControl,
	filters: FiltersControl,
	searchForm: FiltersControl,
	forAuthors: TypesControl,
};

/** The settings of a block: its controls, its options, and what happens if it has nothing to show. */
export function OwnControls(props: BlockControlProps) {
	const { block, onChange } = props;
	const { blocks } = useStart();
	if (block.module !== undefined) {
		return <ModuleControls {...props} />;
	}
	const key = block.block ?? "";
	const Controls = CONTROLS[key];
	const kind = blocks.find((one) => one.key === key);
	return (
		<>
			{Controls && <Controls {...props} />}
			{kind?.options.map((option) => (
				<OptionControl
					key={option.key}
					option={option}
					value={(block as Record<string, unknown>)[option.key]}
					onChange={(value) => {
						const { [option.key]: _, ...rest } = block as Record<string, unknown>;
						onChange(value === undefined ? rest : { ...rest, [option.key]: value }, option.key);
					}}
				/>
			))}
			{kind?.mayBeEmpty && <WhenEmpty {...props} />}
		</>
	);
}
