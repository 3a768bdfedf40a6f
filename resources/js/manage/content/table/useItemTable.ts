import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { useSearchParams } from "react-router";
import { get, put } from "../../shared/api/api";
import type { ContentType, Item, ItemPage, TablePresets } from "../../shared/api/schema";
import { useDone } from "../../shared/Done";
import { useSettled } from "../../shared/useSettled";
import { type Column, columnsOf, restored, type TableState } from "./tableState";

export type ItemTableState = ReturnType<typeof useItemTable>;

/** A person's settings of a type's table, the items that it shows, and the ticked ones. */
export function useItemTable(type: ContentType, presets: TablePresets) {
	const client = useQueryClient();
	const done = useDone();
	const [asked, setAsked] = useSearchParams();
	const [state, setState] = useState(() => ({
		...restored(type, presets.state),
		...(asked.get("q") ? { q: asked.get("q") ?? "" } : {}),
	}));
	const [ticked, setTicked] = useState<Set<number>>(new Set());
	const [allThatFit, setAllThatFit] = useState(false);
	const page = Number(asked.get("page") ?? 1);
	const goTo = (next: number) => setAsked(next > 1 ? { page: String(next) } : {}, { replace: true });

	const columns = useMemo(() => columnsOf(type), [type]);
	const shown = state.columns
		.map((one) => columns.find((column) => column.key === one.key))
		.filter((one): one is Column => one !== undefined);
	const where = state.filters.length > 0 ? { all: state.filters } : null;
	const query = {
		type: type.key,
		q: state.q,
		status: state.status,
		...(where ? { where: JSON.stringify(where) } : {}),
	};
	const params = useSettled({ ...query, sort: state.sort, direction: state.direction, page }, 150);
	const items = useQuery({
		queryKey: ["items", params],
		queryFn: ({ signal }) => get("/items", { params: { query: params }, signal }),
		placeholderData: keepPreviousData,
	});

	const kept = useRef(JSON.stringify(presets.state));
	useEffect(() => {
		const { q: _, ...keeps } = state;
		const now = JSON.stringify(keeps);
		if (now === kept.current) {
			return;
		}
		const timer = setTimeout(() => {
			kept.current = now;
			put("/presets/{key}", { params: { path: { key: type.key } }, body: { name: "", state: keeps } }).then(
				(answer) => client.setQueryData(["presets", type.key], answer),
				// A failed save of the settings needs no message; the next change saves them again.
				() => {
					kept.current = "";
				},
			);
		}, 500);
		return () => clearTimeout(timer);
	}, [state, type.key, client]);

	const untick = () => {
		setTicked(new Set());
		setAllThatFit(false);
	};
	const change = (next: Partial<TableState>, narrows = true) => {
		setState((now) => ({ ...now, ...next }));
		if (narrows) {
			untick();
			goTo(1);
		}
	};
	const sortBy = (key: string) =>
		change({
			sort: key,
			direction:
				state.sort === key ? (state.direction === "asc" ? "desc" : "asc") : key.endsWith("_at") ? "desc" : "asc",
		});
	const save = (item: Item, key: string, value: unknown) =>
		put("/items/{item}", {
			params: { path: { item: item.id } },
			body: { values: { [key]: value }, revision: item.revision },
		}).then((now) => {
			client.setQueryData<ItemPage>(
				["items", params],
				(old) => old && { ...old, items: old.items.map((one) => (one.id === now.id ? { ...now } : one)) },
			);
			done(`“${now.title}” is saved.`);
		});

	const rows = items.data?.items ?? [];
	const total = items.data?.total ?? 0;
	const every = rows.length > 0 && rows.every((one) => ticked.has(one.id));
	const tick = (ids: number[], on: boolean) => {
		setAllThatFit(false);
		setTicked((now) => {
			const next = new Set(now);
			for (const id of ids) {
				on ? next.add(id) : next.delete(id);
			}
			return next;
		});
	};

	return {
		state,
		shown,
		where,
		page,
		goTo,
		items,
		rows,
		total,
		ticked,
		allThatFit,
		setAllThatFit,
		every,
		change,
		sortBy,
		save,
		tick,
		untick,
	};
}
