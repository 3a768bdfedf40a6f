import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useMemo, useState } from "react";
import { NavLink, useNavigate, useParams } from "react-router";
import { get } from "../shared/api/api";
import type { PageSummary } from "../shared/api/schema";
import { DropPlace } from "../shared/controls/dragging";
import { Opening } from "../shared/Fault";
import { Word } from "../shared/Word";
import { FramePlan } from "./frame/FrameScreen";
import { Grid } from "./Grid";
import { MenuPlan } from "./menu/MenuScreen";
import { NewPage } from "./NewPage";
import { PagePlan } from "./PageScreen";
import { BLOCK, getDragged } from "./plan/dragged";
import { useMoveElsewhere } from "./plan/MoveElsewhere";

/** All pages as a tree by address, and the plan of the open one. */
export function PagesScreen({ around }: { around?: "frame" | "menu" }) {
	const { key } = useParams();
	const [adding, setAdding] = useState(false);
	const pages = useQuery({
		queryKey: ["pages"],
		queryFn: ({ signal }) => get("/pages", { signal }),
	});
	if (!pages.data) {
		return <Opening queries={[pages]} />;
	}
	return (
		<div className="flex-1 flex min-h-0 lg:flex-none lg:h-[calc(100vh-3rem)]">
			<nav
				aria-label="Pages"
				className={`w-full lg:w-60 shrink-0 border-r border-base-300 bg-base-200 overflow-y-auto py-2
					${key || around ? "hidden lg:block" : ""}`}
			>
				{!key && !around && <h1 className="font-serif text-2xl font-semibold px-4 py-2">Pages</h1>}
				<Tree pages={pages.data} open={key} />
				<button type="button" className="plain-add px-4 py-2" onClick={() => setAdding(true)}>
					+ a page
				</button>
				<div className="border-t border-base-300 mt-2 pt-2">
					<DropTarget to="frame after" label="The frame around all pages">
						<NavLink
							to="/pages/_frame"
							className={({ isActive }) =>
								`block py-1 px-3.5 border-l-3
									${isActive ? "bg-accent border-secondary font-semibold" : "border-transparent hover:bg-base-100"}`
							}
						>
							The frame around all pages
						</NavLink>
					</DropTarget>
					<Menus />
				</div>
				{adding && <NewPage under={key && !around ? key : null} onClose={() => setAdding(false)} />}
			</nav>
			{around === "frame" ? (
				<FramePlan />
			) : around === "menu" && key ? (
				<MenuPlan key={key} menuKey={key} />
			) : key ? (
				<PagePlan key={key} pageKey={key} />
			) : (
				<div className="hidden lg:block grow min-w-0 overflow-auto">
					<Grid />
				</div>
			)}
		</div>
	);
}

/** Maximum number of listed pages; typing finds the others. */
const LISTED = 200;

/** Pages below their parents by address; if there are many, found by typing. */
function Tree({ pages, open }: { pages: PageSummary[]; open: string | undefined }) {
	const [words, setWords] = useState("");
	const addresses = useMemo(() => new Set(pages.map((page) => page.address)), [pages]);
	const wanted = words.trim().toLowerCase();
	const found = pages.filter(
		(page) => wanted === "" || page.title.toLowerCase().includes(wanted) || page.address.includes(wanted),
	);
	const listed = found.slice(0, LISTED);
	const now = found.findIndex((page) => page.key === open);
	// The list always includes the open page and its neighbours.
	const shown = now < LISTED ? listed : found.slice(Math.max(0, now - LISTED / 2), now + LISTED / 2);
	return (
		<>
			{pages.length > LISTED / 5 && (
				<div className="px-3 py-1.5">
					<input
						type="search"
						className="input input-sm w-full"
						aria-label="Find pages"
						placeholder="Find pages"
						value={words}
						onChange={(event) => setWords(event.target.value)}
					/>
				</div>
			)}
			<ul>
				{shown.map((page) => (
					<li key={page.key}>
						<DropTarget to={page.key} label={page.title}>
							<NavLink
								to={`/pages/${page.key}`}
								className={({ isActive }) =>
									`flex flex-wrap items-baseline gap-x-2 py-1 pr-3 border-l-3
										${isActive ? "bg-accent border-secondary font-semibold" : "border-transparent hover:bg-base-100"}`
								}
								style={{ paddingLeft: `${0.9 + 0.9 * depth(page.address, addresses)}rem` }}
							>
								<span className="min-w-0 break-words">{page.title}</span>
								<State state={page.state} />
								{page.note && <span className="basis-full text-secondary text-xs font-normal">{page.note}</span>}
								<span className="grow text-right text-quiet text-xs font-normal">
									{beside(page.address, addresses)}
								</span>
							</NavLink>
						</DropTarget>
					</li>
				))}
			</ul>
			{found.length > shown.length && (
				<p className="text-quiet text-xs px-4 py-1">
					{(found.length - shown.length).toLocaleString()} more; type to find one.
				</p>
			)}
			{found.length === 0 && (
				<p className="text-quiet px-4 py-1">{pages.length === 0 ? "No pages yet." : "No page of that name."}</p>
			)}
		</>
	);
}

/** A page in the list that accepts a dragged block. “Move to another page” does the same from a list. */
function DropTarget({ to, label, children }: { to: string; label: string; children: ReactNode }) {
	const move = useMoveElsewhere();
	return (
		<DropPlace
			kind={BLOCK}
			label={label}
			onDrop={(token) => {
				const dragged = getDragged(token);
				// A block that is dropped on its own page stays.
				const isHere = dragged?.page === null ? to.startsWith("frame ") : dragged?.page === to;
				if (dragged && !isHere) {
					move.mutate({ ...dragged, to });
				}
			}}
		>
			{children}
		</DropPlace>
	);
}

/** The menus of the site, and a button for a new one. */
function Menus() {
	const go = useNavigate();
	const menus = useQuery({
		queryKey: ["menus"],
		queryFn: ({ signal }) => get("/menus", { signal }),
	});
	return (
		<>
			{menus.data?.map((menu) => (
				<NavLink
					key={menu.key}
					to={`/pages/_menus/${menu.key}`}
					className={({ isActive }) =>
						`flex items-baseline gap-2 py-1 px-3.5 border-l-3
							${isActive ? "bg-accent border-secondary font-semibold" : "border-transparent hover:bg-base-100"}`
					}
				>
					The menu “{menu.key}”<span className="grow text-right text-quiet text-xs font-normal">{menu.entries}</span>
				</NavLink>
			))}
			<div className="px-4 py-2">
				<Word words="+ a menu" label="Add a menu">
					<form
						className="grid gap-2"
						onSubmit={(event) => {
							event.preventDefault();
							const key = new FormData(event.currentTarget).get("key");
							void go(`/pages/_menus/${key}`);
						}}
					>
						<label className="grid gap-1">
							<span className="font-semibold">Its key</span>
							<input
								className="input input-sm"
								name="key"
								required
								pattern="[a-z0-9-]{1,64}"
								title="Small letters, digits and hyphens"
								placeholder="footer"
							/>
						</label>
						<button type="submit" className="btn btn-sm justify-self-start">
							Make it
						</button>
					</form>
				</Word>
			</div>
		</>
	);
}

function State({ state }: { state: PageSummary["state"] }) {
	return state === "live" ? null : (
		<span className="text-quiet italic text-xs font-normal">
			{state === "draft" ? "draft" : state === "changed" ? "changed" : "needs attention"}
		</span>
	);
}

/** The depth of a page: a page whose parent address is not a page is at the top. */
function depth(address: string, all: Set<string>): number {
	const above = parent(address);
	return above !== "" && all.has(above) ? depth(above, all) + 1 : 0;
}

function parent(address: string): string {
	return address.slice(0, address.lastIndexOf("/"));
}

/** The distinguishing part of its address: the last segment, or all of it at the top. */
function beside(address: string, all: Set<string>): string {
	return depth(address, all) === 0 ? address : address.slice(parent(address).length);
}
