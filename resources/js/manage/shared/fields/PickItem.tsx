import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { findItems } from "../api/findItems";
import type { Item } from "../api/schema";
import { useSettled } from "../useSettled";
import { PickByTyping } from "./PickByTyping";

/** Chooses one item of a type by typing a part of its title. */
export function PickItem({
	label,
	type,
	value,
	keyOf,
	onPick,
}: {
	label: string;
	type: string;
	/** The value that identifies the item, from `keyOf`. */
	value: string | null;
	keyOf: (item: Item) => string;
	onPick: (key: string | null) => void;
}) {
	const [words, setWords] = useState("");
	const [title, setTitle] = useState<string | null>(null);
	const sought = useSettled(words);
	const found = useQuery({
		queryKey: ["find items", type, sought],
		queryFn: ({ signal }) => findItems(type, sought, signal),
		enabled: sought.trim() !== "",
	});
	const options = found.data?.items.map((item) => ({ key: keyOf(item), label: item.title }));
	return (
		<PickByTyping
			label={label}
			placeholder="Find by title"
			options={sought === words ? options : undefined}
			value={value}
			named={title ?? undefined}
			onWords={setWords}
			onPick={(key) => {
				setTitle(options?.find((one) => one.key === key)?.label ?? null);
				onPick(key);
			}}
		/>
	);
}
