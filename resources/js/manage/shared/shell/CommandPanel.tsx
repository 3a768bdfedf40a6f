import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import {
	Autocomplete,
	Dialog,
	Input,
	Menu,
	MenuItem,
	Modal,
	ModalOverlay,
	SearchField,
	Text,
} from "react-aria-components";
import { useNavigate } from "react-router";
import { get } from "../api/api";
import type { Found } from "../api/schema";
import { useStart } from "../api/start";
import { useSettled } from "../useSettled";

const ACTIONS: [title: string, to: string, managersOnly: boolean][] = [
	["Go to Modules", "/modules", true],
	["New module", "/modules?new", true],
	["Go to Content", "/content", false],
	["Go to Types", "/types", true],
	["Go to Terms", "/terms", true],
	["Go to Files", "/files", false],
	["Go to People", "/people", true],
	["Go to My account", "/account", false],
];

/** Finds anything by its words, and opens it. */
export function CommandPanel({ onClose }: { onClose: () => void }) {
	const { user } = useStart();
	const go = useNavigate();
	const [words, setWords] = useState("");
	const settled = useSettled(words);
	const found = useQuery({
		queryKey: ["find anything", settled],
		queryFn: ({ signal }) => get("/find", { params: { query: { q: settled } }, signal }),
		enabled: settled.trim() !== "",
		placeholderData: keepPreviousData,
	});
	const actions = ACTIONS.filter(([, , managersOnly]) => !managersOnly || user.role === "manager")
		.map(([title, to]): Found => ({ kind: "action", title, about: "Action", to }))
		.filter((one) => one.title.toLowerCase().includes(words.trim().toLowerCase()));
	const shown = words.trim() === "" ? actions : [...(found.data ?? []), ...actions];
	const open = (one: Found) => {
		onClose();
		void go(one.to);
	};
	return (
		<ModalOverlay
			isOpen
			isDismissable
			onOpenChange={(isOpen) => !isOpen && onClose()}
			className="fixed inset-0 z-40 bg-[#0b2326]/40 p-4 pt-[10vh] overflow-y-auto"
		>
			<Modal className="mx-auto w-full max-w-xl bg-base-100 rounded-box border border-base-300 shadow-xl">
				<Dialog aria-label="Find anything" className="outline-none p-2 grid gap-2">
					<Autocomplete inputValue={words} onInputChange={setWords}>
						<SearchField aria-label="Find anything" autoFocus>
							<Input
								className="input w-full"
								placeholder="A module, page, item, term or action"
								onKeyDown={(event) => event.key === "Escape" && onClose()}
							/>
						</SearchField>
						<Menu
							aria-label="Found"
							items={shown.map((one) => ({ ...one, id: `${one.kind} ${one.to} ${one.title}` }))}
							className="max-h-[60vh] overflow-y-auto outline-none"
							renderEmptyState={() => (
								<p className="px-3 py-1.5 text-quiet">{found.isFetching ? "Looking…" : "Nothing found."}</p>
							)}
						>
							{(one) => (
								<MenuItem
									textValue={one.title}
									className="flex gap-3 px-3 py-1.5 rounded-field cursor-pointer outline-none data-[focused]:bg-accent"
									onAction={() => open(one)}
								>
									<Text slot="label" className="flex-1 font-semibold">
										{one.title}
									</Text>
									<Text slot="description" className="text-quiet text-sm">
										{one.about}
									</Text>
								</MenuItem>
							)}
						</Menu>
					</Autocomplete>
				</Dialog>
			</Modal>
		</ModalOverlay>
	);
}
