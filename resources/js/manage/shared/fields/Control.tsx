import type { ReactNode } from "react";
import { useStart } from "../api/start";
import { NumberInput } from "../controls/NumberInput";
import { toldApart } from "../toldApart";
import { fromZone, toZone } from "../zone";
import { HoursControl } from "./HoursControl";
import { ItemsControl } from "./ItemsControl";
import { Labelled } from "./Labelled";
import { MediaControl } from "./MediaControl";
import { PickByTyping } from "./PickByTyping";
import { PlaceControl } from "./PlaceControl";
import type { ControlProps } from "./props";
import { RichText } from "./RichText";
import { TermsControl } from "./TermsControl";

/** The control for a field's kind. */
export function Control(props: ControlProps) {
	const { field, value, problem, onChange, hint, inline = false } = props;
	const { site, people } = useStart();
	const id = `field-${field.key}`;
	const help = hint ?? (field.help || undefined);
	const aria = {
		id,
		"aria-invalid": problem !== undefined,
		"aria-describedby": [help && `${id}-hint`, problem && `${id}-problem`].filter(Boolean).join(" ") || undefined,
	};
	const text = typeof value === "string" ? value : "";
	/** The CSS class for the width of a control; `inLine` inside a line of values. */
	const width = (inLine: string) => (inline ? `input-sm select-sm ${inLine}` : "w-full");
	const around = (control: ReactNode, label = field.label, group = false) => (
		<Labelled
			label={label}
			id={id}
			hint={help}
			problem={problem}
			required={field.required}
			group={group}
			inline={inline}
		>
			{control}
		</Labelled>
	);
	switch (field.family) {
		case "longText":
			return around(<RichText id={id} label={field.label} value={text} onChange={onChange} />, field.label, true);
		case "number":
			return around(
				<NumberInput
					label={field.label}
					id={id}
					describedBy={aria["aria-describedby"]}
					isInvalid={aria["aria-invalid"] ?? false}
					className={width("w-32")}
					value={typeof value === "number" ? value : null}
					onChange={onChange}
					onEmpty={() => onChange(null)}
				/>,
				field.kind === "money"
					? `${field.label} (${site.currency})`
					: field.unit
						? `${field.label} (${field.unit})`
						: field.label,
			);
		case "yesNo":
			return around(
				<select
					{...aria}
					className={`select ${width("w-auto min-w-32")}`}
					value={value === true ? "yes" : value === false ? "no" : ""}
					onChange={(event) => onChange(event.target.value === "" ? null : event.target.value === "yes")}
				>
					<option value="">not said</option>
					<option value="yes">yes</option>
					<option value="no">no</option>
				</select>,
			);
		case "choice":
			return around(
				<select
					{...aria}
					className={`select ${width("w-auto min-w-32")}`}
					value={text}
					onChange={(event) => onChange(event.target.value || null)}
				>
					<option value="">none</option>
					{field.choices.map((choice) => (
						<option key={choice.key} value={choice.key}>
							{choice.label}
						</option>
					))}
				</select>,
			);
		case "date":
			return around(
				<input
					{...aria}
					type="date"
					min={field.limits.earliest}
					max={field.limits.latest}
					className={`input ${width("w-40")}`}
					value={text}
					onChange={(event) => onChange(event.target.value || null)}
				/>,
			);
		case "instant":
			return around(
				<input
					{...aria}
					type="datetime-local"
					className={`input ${width("w-56")}`}
					value={toZone(value, site.timeZone)}
					onChange={(event) => onChange(fromZone(event.target.value, site.timeZone))}
				/>,
			);
		case "person":
			return around(
				<PickByTyping
					id={id}
					label={field.label}
					placeholder="nobody"
					options={toldApart(
						people.map((one) => ({ key: one.email, label: one.name })),
						(email) => email,
					)}
					value={text || null}
					onPick={onChange}
					isInvalid={problem !== undefined}
				/>,
			);
		case "choices": {
			const on = Array.isArray(value) ? (value as string[]) : [];
			return around(
				<div className="flex flex-wrap gap-x-4 gap-y-1">
					{field.choices.map((one) => (
						<label key={one.key} className="flex items-center gap-2 py-0.5 cursor-pointer">
							<input
								type="checkbox"
								className="checkbox checkbox-xs"
								checked={on.includes(one.key)}
								onChange={() => onChange(on.includes(one.key) ? on.filter((key) => key !== one.key) : [...on, one.key])}
							/>
							{one.label}
						</label>
					))}
				</div>,
				field.label,
				true,
			);
		}
		case "terms":
			return around(<TermsControl field={field} value={value} onChange={onChange} />, field.label, true);
		case "picture":
		case "pictures":
		case "file":
		case "video":
			return around(<MediaControl {...props} id={id} />, field.label, true);
		case "place":
			return around(<PlaceControl id={id} value={value} onChange={onChange} />, field.label, true);
		case "hours":
			return around(<HoursControl value={value} onChange={onChange} />, field.label, true);
		case "items":
			return around(
				<ItemsControl
					field={field}
					value={value}
					onChange={onChange}
					linked={props.linked ?? []}
					onLinked={props.onLinked}
				/>,
				field.label,
				true,
			);
		default:
			return around(
				field.kind === "colour" ? (
					<ColourControl aria={aria} value={text} onChange={onChange} />
				) : (
					<input
						{...aria}
						type={field.kind === "link" ? "url" : "text"}
						maxLength={field.limits.maxLength}
						placeholder={field.kind === "link" ? "https://" : undefined}
						className={`input ${width("w-64")}`}
						value={text}
						onChange={(event) => onChange(event.target.value || null)}
					/>
				),
			);
	}
}

export function ColourControl({
	aria,
	value,
	onChange,
}: {
	aria: { id: string };
	value: string;
	onChange: (value: string | null) => void;
}) {
	return (
		<div className="flex gap-2">
			<input
				type="color"
				aria-label="Pick a colour"
				className="w-11 h-10 p-0.5 rounded-field border border-[#8b9a9c] bg-base-100 cursor-pointer"
				value={/^#[0-9a-f]{6}$/i.test(value) ? value : "#1f6470"}
				onChange={(event) => onChange(event.target.value)}
			/>
			<input
				{...aria}
				type="text"
				className="input w-full"
				placeholder="#1f6470"
				value={value}
				onChange={(event) => onChange(event.target.value || null)}
			/>
		</div>
	);
}
