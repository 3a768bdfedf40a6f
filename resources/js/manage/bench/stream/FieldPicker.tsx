import { Button, ComboBox, Header, Input, ListBox, ListBoxItem, ListBoxSection } from "react-aria-components";
import type { Field } from "../../shared/api/schema";
import { Paper } from "../../shared/Dropdown";
import { useSource } from "../source";

function sections(fields: Field[]): [string, Field[]][] {
	const plain = fields.filter((one) => !one.key.includes("."));
	return (
		[
			["Its own", plain.filter((one) => one.origin === "type")],
			["Terms", plain.filter((one) => one.origin === "taxonomy")],
			["Every record’s", plain.filter((one) => one.origin === "item")],
			["Through what it names", fields.filter((one) => one.key.includes("."))],
		] as [string, Field[]][]
	).filter(([, all]) => all.length > 0);
}

/** Chooses a field by typing a part of its name. */
export function FieldPicker({
	label,
	placeholder,
	value,
	onPick,
	className = "w-44",
}: {
	label: string;
	placeholder?: string;
	value?: string;
	onPick: (key: string) => void;
	className?: string;
}) {
	const { fields } = useSource();
	const now = fields.find((one) => one.key === value);
	return (
		<ComboBox
			key={value ?? fields.length}
			aria-label={label}
			menuTrigger="focus"
			defaultInputValue={now?.label ?? ""}
			selectedKey={value ?? null}
			onSelectionChange={(key) => key !== null && String(key) !== value && onPick(String(key))}
			className={className}
		>
			<div className="relative">
				<Input
					className="input input-sm w-full pr-7"
					placeholder={placeholder ?? ""}
					onFocus={(event) => event.currentTarget.select()}
					onKeyDown={(event) => {
						// Enter chooses the first match if none is marked.
						const words = event.currentTarget.value.trim().toLowerCase();
						if (event.key === "Enter" && !event.currentTarget.getAttribute("aria-activedescendant") && words !== "") {
							const first = sections(fields)
								.flatMap(([, all]) => all)
								.find((one) => one.label.toLowerCase().includes(words));
							if (first && first.key !== value) {
								onPick(first.key);
							}
						}
					}}
				/>
				<Button className="absolute right-0 inset-y-0 w-7 text-quiet cursor-pointer" aria-label={`Show all: ${label}`}>
					<span aria-hidden="true">▾</span>
				</Button>
			</div>
			<Paper placement="bottom start" className="w-72 p-1.5">
				<ListBox className="outline-none">
					{sections(fields).map(([title, all]) => (
						<ListBoxSection key={title} id={title}>
							<Header className="px-2 pt-1.5 pb-0.5 text-xs text-quiet">{title}</Header>
							{all.map((field) => (
								<ListBoxItem
									key={field.key}
									id={field.key}
									textValue={field.label}
									className="px-2 py-1 rounded-field cursor-pointer outline-none data-[focused]:bg-accent
										data-[selected]:font-semibold"
								>
									{field.label}
								</ListBoxItem>
							))}
						</ListBoxSection>
					))}
				</ListBox>
			</Paper>
		</ComboBox>
	);
}
