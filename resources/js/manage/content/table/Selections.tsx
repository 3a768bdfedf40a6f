import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Button, DialogTrigger } from "react-aria-components";
import { del, put } from "../../shared/api/api";
import type { ContentType, TablePresets } from "../../shared/api/schema";
import { Dropdown } from "../../shared/Dropdown";
import type { TableState } from "./tableState";

/** Saved views: filters and order of the table under a name. */
export function Selections({
	type,
	presets,
	state,
	onPick,
}: {
	type: ContentType;
	presets: TablePresets;
	state: TableState;
	onPick: (state: unknown) => void;
}) {
	const client = useQueryClient();
	const [name, setName] = useState("");
	const keep = (answer: TablePresets) => client.setQueryData(["presets", type.key], answer);
	const save = useMutation({
		mutationFn: () =>
			put("/presets/{key}", { params: { path: { key: type.key } }, body: { name: name.trim(), state: { ...state } } }),
		onSuccess: (answer) => {
			keep(answer);
			setName("");
		},
	});
	const remove = useMutation({
		mutationFn: (id: number) => del("/presets/{key}/{id}", { params: { path: { key: type.key, id } } }),
		onSuccess: keep,
	});
	return (
		<DialogTrigger>
			<Button className="btn btn-sm h-9">
				Selections{presets.selections.length > 0 ? ` (${presets.selections.length})` : ""}
			</Button>
			<Dropdown label="Saved selections" placement="bottom end" width="w-[20rem]">
				{({ close }) => (
					<>
						{presets.selections.length === 0 && (
							<p className="text-quiet">What is found, filtered and ordered now can be kept under a name.</p>
						)}
						<ul className="grid gap-0.5">
							{presets.selections.map((one) => (
								<li key={one.id} className="flex items-center gap-2">
									<button
										type="button"
										className="grow text-left cursor-pointer hover:underline py-0.5"
										onClick={() => {
											onPick(one.state);
											close();
										}}
									>
										{one.name}
									</button>
									<button
										type="button"
										className="btn btn-xs btn-ghost"
										aria-label={`Forget ${one.name}`}
										onClick={() => remove.mutate(one.id)}
									>
										×
									</button>
								</li>
							))}
						</ul>
						<div className="flex gap-2 border-t border-base-300 pt-3">
							<input
								className="input input-sm grow min-w-0"
								aria-label="Name of the selection"
								placeholder="Name this selection"
								value={name}
								onChange={(event) => setName(event.target.value)}
							/>
							<button
								type="button"
								className="btn btn-sm"
								disabled={name.trim() === "" || save.isPending}
								onClick={() => save.mutate()}
							>
								Keep
							</button>
						</div>
						{save.error && <p className="text-error">{save.error.message}</p>}
					</>
				)}
			</Dropdown>
		</DialogTrigger>
	);
}
