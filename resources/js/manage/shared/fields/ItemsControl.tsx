import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { findItems } from "../api/findItems";
import type { Field, Linked } from "../api/schema";
import { useStart } from "../api/start";
import { toldApart } from "../toldApart";
import { useSettled } from "../useSettled";
import { PickByTyping } from "./PickByTyping";

/** Links to other items, found by title; in an order if there may be several. */
export function ItemsControl({
	field,
	value,
	onChange,
	linked,
	onLinked,
}: {
	field: Field;
	value: unknown;
	onChange: (value: unknown) => void;
	/** The known titles of linked items. */
	linked: Linked[];
	onLinked?: ((items: Linked[]) => void) | undefined;
}) {
	const { types } = useStart();
	const [words, setWords] = useState("");
	const sought = useSettled(words);
	const [type, setType] = useState(field.types[0] ?? "");
	const [picked, setPicked] = useState<Linked[]>([]);
	const titles = Object.fromEntries([...linked, ...picked].map((one) => [one.name, one.title]));
	const names = Array.isArray(value) ? (value as string[]) : [];
	const found = useQuery({
		queryKey: ["find items", type, sought],
		queryFn: ({ signal }) => findItems(type, sought, signal),
		enabled: sought.trim() !== "",
	});
	const full = field.limits.maxItems !== undefined && names.length >= field.limits.maxItems;
	const move = (from: number, to: number) => {
		const next = [...names];
		next.splice(to, 0, ...next.splice(from, 1));
		onChange(next);
	};
	return (
		<div className="grid gap-2">
			{names.length > 0 && (
				<ol className="border border-[#8b9a9c] rounded-field bg-base-100 divide-y divide-base-300">
					{names.map((name, i) => (
						<li key={name} className="flex items-center gap-2 px-3 py-1.5">
							<span className="grow">{titles[name] ?? name}</span>
							{names.length > 1 && (
								<>
									<button
										type="button"
										className="btn btn-xs btn-ghost"
										disabled={i === 0}
										aria-label={`Move ${titles[name] ?? name} up`}
										onClick={() => move(i, i - 1)}
									>
										↑
									</button>
									<button
										type="button"
										className="btn btn-xs btn-ghost"
										disabled={i === names.length - 1}
										aria-label={`Move ${titles[name] ?? name} down`}
										onClick={() => move(i, i + 1)}
									>
										↓
									</button>
								</>
							)}
							<button
								type="button"
								className="btn btn-xs btn-ghost"
								aria-label={`Take ${titles[name] ?? name} out`}
								onClick={() => onChange(names.length === 1 ? null : names.filter((one) => one !== name))}
							>
								×
							</button>
						</li>
					))}
				</ol>
			)}
			{!full && (
				<div className="flex gap-2">
					{field.types.length > 1 && (
						<select
							className="select select-sm w-auto"
							aria-label="Of which type"
							value={type}
							onChange={(event) => setType(event.target.value)}
						>
							{field.types.map((key) => (
								<option key={key} value={key}>
									{types.find((one) => one.key === key)?.plural ?? key}
								</option>
							))}
						</select>
					)}
					<div className="flex-1">
						<PickByTyping
							label={`Find items for ${field.label}`}
							placeholder={`Find ${(types.find((one) => one.key === type)?.plural ?? "items").toLowerCase()} by title`}
							options={
								found.data &&
								toldApart(
									found.data.items
										.map((one) => ({ key: `${one.type}/${String(one.values.slug)}`, label: one.title }))
										.filter((one) => !names.includes(one.key)),
									(key) => key.slice(key.indexOf("/") + 1),
								)
							}
							value={null}
							onWords={setWords}
							onPick={(name) => {
								const item = found.data?.items.find((one) => `${one.type}/${String(one.values.slug)}` === name);
								if (item && name !== null) {
									const added = { name, title: item.title };
									setPicked((now) => [...now, added]);
									onLinked?.([added]);
									onChange([...names, name]);
								}
							}}
						/>
					</div>
				</div>
			)}
		</div>
	);
}
