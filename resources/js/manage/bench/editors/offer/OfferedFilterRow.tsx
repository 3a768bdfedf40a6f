import type { Condition, OfferedFilter } from "../../../shared/api/schema";
import { fieldOf, useStart } from "../../../shared/api/start";
import { RowTools, TextInput } from "../../../shared/controls/inputs";
import { OptionControl } from "../../../shared/options/OptionControl";
import { finishedCondition, isGroup } from "../../definition";
import { useSource } from "../../source";
import { useOffering } from "../../useOffering";
import { ConditionEditor } from "../conditions/ConditionEditor";
import type { EditorProps } from "../props";

/** One filter for visitors: its control, its name and its options. */
export function OfferedFilterRow({
	filter,
	index,
	count,
	bench,
	isOpen,
	onOpen,
	onChange,
	onMove,
	onRemove,
}: {
	filter: OfferedFilter;
	index: number;
	count: number;
	bench: EditorProps["bench"];
	isOpen: boolean;
	onOpen: () => void;
	onChange: (next: OfferedFilter, tag?: string | null) => void;
	onMove: (to: number) => void;
	onRemove: () => void;
}) {
	const source = useSource();
	const { filterControls } = useStart();
	const { turn } = useOffering(bench);
	const field = fieldOf(source, filter.field);
	const label = filter.label ?? field?.label ?? filter.field;
	const control = filterControls.find((one) => one.key === filter.as);
	const takes = (setting: "counts" | "most" | "open") => control?.takes.includes(setting) ?? false;
	const put = (next: Partial<OfferedFilter>, tag: string | null = null) =>
		onChange(
			Object.fromEntries(
				Object.entries({ ...filter, ...next }).filter(([, value]) => value !== undefined),
			) as OfferedFilter,
			tag,
		);
	const pickControl = (as: string) => {
		const { join, rule, ...rest } = filter;
		const next = filterControls.find((one) => one.key === as);
		onChange({
			...rest,
			as,
			...(next?.takesSeveral && join ? { join } : {}),
			...(next?.takesRule
				? { rule: rule ?? (field ? finishedCondition(field) : { field: filter.field, test: "filled" }) }
				: {}),
		} as OfferedFilter);
	};
	return (
		<div className="grid gap-2 border-b border-base-300 pb-2">
			<div className="flex flex-wrap items-center gap-2">
				<button
					type="button"
					className="word"
					aria-expanded={isOpen}
					data-word={`offer.filters[${index}]`}
					onClick={onOpen}
				>
					{label}
				</button>
				<select
					className="select select-sm w-auto max-w-44"
					aria-label={`${label}: by`}
					value={filter.as}
					onChange={(event) => pickControl(event.target.value)}
				>
					{filterControls
						.filter((one) => field?.controls.includes(one.key) || one.key === filter.as)
						.map((one) => (
							<option key={one.key} value={one.key}>
								by {one.words}
							</option>
						))}
				</select>
				<span className="flex-1" />
				<RowTools what={label} index={index} count={count} onMove={onMove} onRemove={onRemove} />
			</div>
			{isOpen && (
				<div className="grid gap-2 pl-3 border-l-2 border-base-300 text-sm">
					<div className="flex flex-wrap items-center gap-2">
						<span className="text-quiet">Called</span>
						<TextInput label="What visitors read" value={label} onChange={(next) => put({ label: next }, "label")} />
					</div>
					{control?.takesSeveral && field?.family !== "choice" && (
						<label className="flex items-center gap-2">
							<span className="text-quiet">Several chosen keep</span>
							<select
								className="select select-sm w-auto"
								value={filter.join ?? "any"}
								onChange={(event) => put({ join: event.target.value === "all" ? "all" : undefined })}
							>
								<option value="any">records that have any of them</option>
								<option value="all">records that have all of them</option>
							</select>
						</label>
					)}
					{control?.takesRule && filter.rule !== undefined && !isGroup(filter.rule) && (
						<ConditionEditor
							condition={filter.rule as Condition}
							onChange={(rule, tag) => put({ rule }, tag ?? null)}
							bench={bench}
							before="choices"
							tag={`offer.filters[${index}].rule`}
						/>
					)}
					{control?.takesRule && filter.rule !== undefined && isGroup(filter.rule) && (
						<p className="text-quiet">It keeps what a group of rules does; change that as JSON.</p>
					)}
					{(control?.settings ?? []).map((option) => (
						<OptionControl
							key={option.key}
							option={option}
							value={filter[option.key]}
							onChange={(next) => put({ [option.key]: next } as Partial<OfferedFilter>)}
						/>
					))}
					<div className="flex flex-wrap gap-x-4 gap-y-1.5">
						{takes("counts") && (
							<label className="flex items-center gap-2">
								<input
									type="checkbox"
									className="checkbox checkbox-sm"
									checked={filter.counts ?? true}
									onChange={(event) => put({ counts: event.target.checked ? undefined : false })}
								/>
								with counts
							</label>
						)}
						{takes("open") && (
							<label className="flex items-center gap-2">
								<input
									type="checkbox"
									className="checkbox checkbox-sm"
									checked={filter.open ?? true}
									onChange={(event) => put({ open: event.target.checked ? undefined : false })}
								/>
								open at first
							</label>
						)}
						{takes("most") && (
							<OptionControl
								option={{ key: "most", label: "Options before “more”", kind: "whole", default: null, min: 1, max: 500 }}
								value={filter.most}
								onChange={(most) => put({ most: most as number | undefined } as Partial<OfferedFilter>)}
							/>
						)}
					</div>
					<button
						type="button"
						className="plain-add justify-self-start"
						onClick={() => turn(`offer.filters[${index}]`)}
					>
						Make it a rule of the module
					</button>
				</div>
			)}
		</div>
	);
}
