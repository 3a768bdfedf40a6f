import { useState } from "react";
import type { Field, Item } from "../../shared/api/schema";
import { moment, useStart } from "../../shared/api/start";
import { Control } from "../../shared/fields/Control";
import { ValueWords } from "../ValueWords";
import type { Column } from "./tableState";

const SIMPLE: Field["family"][] = ["text", "number", "yesNo", "choice", "date"];

/** True if a value can be edited in the table. */
export function isSimple(column: Column): boolean {
	return (
		column.field !== null &&
		column.field.origin !== "taxonomy" &&
		column.key !== "slug" &&
		SIMPLE.includes(column.field.family)
	);
}

/** One value in the table; a simple one opens for editing in place. */
export function Cell({
	item,
	column,
	onSave,
}: {
	item: Item;
	column: Column;
	onSave: (value: unknown) => Promise<unknown>;
}) {
	const [editing, setEditing] = useState(false);
	const [value, setValue] = useState<unknown>(null);
	const [problem, setProblem] = useState<string | undefined>();
	if (!isSimple(column) || !column.field) {
		return <Value item={item} column={column} />;
	}
	const field = column.field;
	const save = (value: unknown) => {
		if (JSON.stringify(value) === JSON.stringify(item.values[field.key] ?? null)) {
			setEditing(false);
			return;
		}
		onSave(value).then(
			() => setEditing(false),
			(error: Error) => setProblem(error.message),
		);
	};
	if (!editing) {
		return (
			<button
				type="button"
				className={`w-full min-h-7 cursor-text rounded px-1 -mx-1 hover:bg-accent
					${field.family === "number" ? "text-right" : "text-left"}`}
				onClick={() => {
					setValue(item.values[field.key] ?? null);
					setProblem(undefined);
					setEditing(true);
				}}
			>
				<span className="sr-only">
					Edit {field.label} of {item.title}:{" "}
				</span>
				<Value item={item} column={column} />
			</button>
		);
	}
	return (
		// biome-ignore lint/a11y/noStaticElementInteractions: the keys belong to the control inside
		<div
			className="cell-editor"
			ref={(box) => {
				if (box && !box.contains(document.activeElement)) {
					box.querySelector<HTMLElement>("input, select")?.focus();
				}
			}}
			// In the capture phase, because number boxes stop Enter.
			onKeyDownCapture={(event) => {
				if (event.key === "Enter") {
					event.preventDefault();
					save(value);
				}
				if (event.key === "Escape") {
					setEditing(false);
				}
			}}
			onBlur={(event) => {
				if (!event.currentTarget.contains(event.relatedTarget)) {
					save(value);
				}
			}}
		>
			<Control
				field={{ ...field, help: "" }}
				value={value}
				problem={problem}
				onChange={(next) => {
					setValue(next);
					// Choosing yes or no completes the change.
					if (field.family === "yesNo") {
						save(next);
					}
				}}
			/>
		</div>
	);
}

function Value({ item, column }: { item: Item; column: Column }) {
	const start = useStart();
	const { field } = column;
	const value = item.values[column.key];
	if (column.key === "status") {
		return <ItemState item={item} />;
	}
	if (column.key === "author") {
		return <span>{item.authorName ?? "–"}</span>;
	}
	if (column.key === "updated_at") {
		return <span className="text-quiet whitespace-nowrap">{moment(start, item.updatedAt, false)}</span>;
	}
	if (field?.family === "picture") {
		const picture = item.files[String(value ?? "")];
		return picture ? (
			<img src={picture.small} alt="" width={48} height={36} className="w-12 h-9 object-cover rounded" loading="lazy" />
		) : (
			<span className="block w-12 h-9 rounded border border-dashed border-[#b9b4a4]" title="No picture" />
		);
	}
	if (value === null || value === undefined) {
		return <span className="text-quiet">–</span>;
	}
	if (column.key === "audience") {
		const labels = [value].flat().map((key) => start.audiences.find((one) => one.key === key)?.label ?? String(key));
		return <span>{labels.join(", ")}</span>;
	}
	return field === null ? (
		<span>{String(value)}</span>
	) : (
		<ValueWords field={field} value={value} linked={item.linked[field.key] ?? []} />
	);
}

export function ItemState({ item }: { item: Item }) {
	const at = item.values.publish_at;
	const expires = item.values.expire_at;
	if (item.status === "draft") {
		return <span className="text-quiet">draft</span>;
	}
	if (typeof at === "string" && new Date(at) > new Date()) {
		return <span className="text-secondary">scheduled</span>;
	}
	return typeof expires === "string" && new Date(expires) <= new Date() ? (
		<span className="text-secondary">expired</span>
	) : (
		<span>published</span>
	);
}
