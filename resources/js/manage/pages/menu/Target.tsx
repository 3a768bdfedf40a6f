import { useState } from "react";
import type { MenuEntry } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { PickItem } from "../../shared/fields/PickItem";
import { moduleOptions } from "../../shared/toldApart";
import { useModules, usePages } from "./names";

/** The target of a new entry. */
export function Target({ onPick }: { onPick: (entry: MenuEntry) => void }) {
	const { taxonomies, types } = useStart();
	const pages = usePages();
	const modules = useModules();
	const [type, setType] = useState(types[0]?.key ?? "");
	const [link, setLink] = useState("");
	const [label, setLabel] = useState("");
	const pick = (
		title: string,
		options: { key: string; label: string }[] | undefined,
		to: (key: string) => MenuEntry,
	) => (
		<div className="grid gap-1">
			<span className="font-semibold">{title}</span>
			<PickByTyping
				label={title}
				placeholder="find by name"
				options={options}
				value={null}
				onPick={(key) => key !== null && onPick(to(key))}
			/>
		</div>
	);
	const pair = (key: string): [string, string] => {
		const [of = "", slug = ""] = key.split("/");
		return [of, slug];
	};
	return (
		<>
			{pick(
				"A page",
				pages.data
					?.filter((one) => !one.address.includes("{"))
					.map((one) => ({ key: one.key, label: one.title, beside: one.address })),
				(page) => ({ page }),
			)}
			{pick(
				"A term",
				taxonomies.flatMap((one) =>
					one.terms.map((term) => ({ key: `${one.key}/${term.slug}`, label: term.name, beside: one.label })),
				),
				(key) => ({ term: pair(key) }),
			)}
			<div className="grid gap-1">
				<span className="font-semibold">An item</span>
				<select
					className="select select-sm"
					aria-label="Of which type"
					value={type}
					onChange={(event) => setType(event.target.value)}
				>
					{types.map((one) => (
						<option key={one.key} value={one.key}>
							{one.label}
						</option>
					))}
				</select>
				<PickItem
					label="An item"
					type={type}
					value={null}
					keyOf={(item) => String(item.values.slug)}
					onPick={(slug) => slug !== null && onPick({ item: [type, slug] })}
				/>
			</div>
			{pick("All records of a module", modules.data && moduleOptions(modules.data), (module) => ({ module }))}
			<form
				className="grid gap-1"
				onSubmit={(event) => {
					event.preventDefault();
					onPick({ link: link.trim(), label: label.trim() });
				}}
			>
				<span className="font-semibold">Or an address</span>
				<input
					className="input input-sm"
					aria-label="Address"
					placeholder="/garden or https://example.org"
					value={link}
					onChange={(event) => setLink(event.target.value)}
				/>
				<input
					className="input input-sm"
					aria-label="Called"
					placeholder="what it is called"
					value={label}
					onChange={(event) => setLabel(event.target.value)}
				/>
				<button
					type="submit"
					className="btn btn-sm justify-self-start"
					disabled={link.trim() === "" || label.trim() === ""}
				>
					Add the address
				</button>
			</form>
		</>
	);
}
