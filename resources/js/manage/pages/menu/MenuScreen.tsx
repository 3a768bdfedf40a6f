import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { get } from "../../shared/api/api";
import type { MenuFile, MenuWhole } from "../../shared/api/schema";
import { useKeptDraft } from "../../shared/drafts/useKeptDraft";
import { Fault, Opening } from "../../shared/Fault";
import { AroundPages } from "../frame/AroundPages";
import { MenuEntries } from "./MenuEntries";

/** One of the site's menus. */
export function MenuPlan({ menuKey }: { menuKey: string }) {
	const client = useQueryClient();
	const menu = useQuery({
		queryKey: ["menu", menuKey],
		queryFn: ({ signal }) => get("/menus/{key}", { params: { path: { key: menuKey } }, signal }),
		staleTime: Number.POSITIVE_INFINITY,
	});
	useEffect(() => () => client.removeQueries({ queryKey: ["menu", menuKey] }), [client, menuKey]);
	if (menu.error) {
		return (
			<div className="p-6">
				<Fault error={menu.error} onRetry={menu.refetch} />
			</div>
		);
	}
	return menu.data ? <Loaded key={menuKey} menu={menu.data} /> : <Opening queries={[menu]} />;
}

function Loaded({ menu }: { menu: MenuWhole }) {
	const draft = useKeptDraft<MenuFile>("menu", menu);
	const { definition, change } = draft;
	return (
		<AroundPages
			title={`The menu “${menu.key}”`}
			kind="menu"
			stored={menu}
			draft={draft}
			newest={() => get("/menus/{key}", { params: { path: { key: menu.key } } })}
		>
			<MenuEntries
				entries={definition.entries}
				label={`The menu ${menu.key}`}
				onChange={(entries, tag) => change({ ...definition, entries }, tag ?? null)}
			/>
			<p className="text-quiet text-sm">
				It shows where a page or the frame has the block “Menu” with its key, {menu.key}.
			</p>
		</AroundPages>
	);
}
