import { Button, DialogTrigger } from "react-aria-components";
import type { ContentType } from "../../shared/api/schema";
import { Dropdown } from "../../shared/Dropdown";
import { columnsOf, type TableState, widthOf } from "./tableState";

/** The columns of the table and their order. */
export function Columns({
	type,
	columns,
	onChange,
}: {
	type: ContentType;
	columns: TableState["columns"];
	onChange: (columns: TableState["columns"]) => void;
}) {
	const all = columnsOf(type);
	const off = all.filter((one) => !columns.some((on) => on.key === one.key));
	const move = (from: number, to: number) => {
		const next = [...columns];
		next.splice(to, 0, ...next.splice(from, 1));
		onChange(next);
	};
	return (
		<DialogTrigger>
			<Button className="btn btn-sm h-9">Columns</Button>
			<Dropdown label="Columns" placement="bottom end" width="w-[20rem]">
				<ul className="grid gap-0.5">
					{columns.map((one, i) => {
						const label = all.find((column) => column.key === one.key)?.label ?? one.key;
						return (
							<li key={one.key} className="flex items-center gap-1">
								<label className="flex items-center gap-2 grow cursor-pointer">
									<input
										type="checkbox"
										className="checkbox checkbox-xs"
										checked
										onChange={() => onChange(columns.filter((other) => other.key !== one.key))}
									/>
									{label}
								</label>
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									aria-label={`Move ${label} to the left`}
									disabled={i === 0}
									onClick={() => move(i, i - 1)}
								>
									↑
								</button>
								<button
									type="button"
									className="btn btn-xs btn-ghost"
									aria-label={`Move ${label} to the right`}
									disabled={i === columns.length - 1}
									onClick={() => move(i, i + 1)}
								>
									↓
								</button>
							</li>
						);
					})}
				</ul>
				<ul className="grid gap-0.5 border-t border-base-300 pt-2">
					{off.map((one) => (
						<li key={one.key}>
							<label className="flex items-center gap-2 cursor-pointer py-0.5">
								<input
									type="checkbox"
									className="checkbox checkbox-xs"
									checked={false}
									onChange={() => onChange([...columns, { key: one.key, width: widthOf(one) }])}
								/>
								{one.label}
							</label>
						</li>
					))}
				</ul>
			</Dropdown>
		</DialogTrigger>
	);
}
