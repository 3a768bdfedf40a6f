import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Button, GridList, GridListItem, useDragAndDrop } from "react-aria-components";
import { Link, useParams } from "react-router";
import { ApiError, get, put } from "../shared/api/api";
import type { OrderByHand, PlacedItem } from "../shared/api/schema";
import { useStart, useType } from "../shared/api/start";
import { Fault } from "../shared/Fault";
import { Notice } from "../shared/Notice";
import { Screen } from "../shared/Screen";

/** The manager's own order of a type's items, or of a term's items: by drag or by keyboard. */
export function ByHandScreen() {
	const { type: key = "" } = useParams();
	const type = useType(key);
	const { taxonomies } = useStart();
	const [taxonomy, setTaxonomy] = useState("");
	const [term, setTerm] = useState<number | null>(null);
	const terms = useQuery({
		queryKey: ["terms", taxonomy],
		queryFn: ({ signal }) => get("/taxonomies/{key}/terms", { params: { path: { key: taxonomy } }, signal }),
		enabled: taxonomy !== "",
	});
	const list = useQuery({
		queryKey: ["by hand", key, term],
		queryFn: ({ signal }) => orderByHand(key, term, signal),
		enabled: taxonomy === "" || term !== null,
	});
	return (
		<Screen
			title={`${type.plural} by hand`}
			about="The order that a module follows when it orders by hand. What was never placed comes after, newest first."
			aside={
				<Link to={`/content/${key}`} className="btn btn-sm h-9">
					Back to the table
				</Link>
			}
		>
			<div className="flex flex-wrap gap-2">
				<select
					className="select select-sm w-auto"
					aria-label="Within"
					value={taxonomy}
					onChange={(event) => {
						setTaxonomy(event.target.value);
						setTerm(null);
					}}
				>
					<option value="">all {type.plural.toLowerCase()}</option>
					{type.taxonomies.map((one) => (
						<option key={one} value={one}>
							those of one term of {taxonomies.find((other) => other.key === one)?.label}
						</option>
					))}
				</select>
				{taxonomy !== "" && (
					<select
						className="select select-sm w-auto"
						aria-label="Term"
						value={term ?? ""}
						onChange={(event) => setTerm(Number(event.target.value))}
					>
						<option value="">which term?</option>
						{terms.data
							?.filter((one) => one.items > 0)
							.map((one) => (
								<option key={one.id} value={one.id}>
									{one.name} ({one.items})
								</option>
							))}
					</select>
				)}
			</div>
			{list.error && <Fault error={list.error} onRetry={list.refetch} />}
			{list.data && <Sortable key={`${term}`} type={key} term={term} order={list.data} />}
		</Screen>
	);
}

function orderByHand(type: string, term: number | null, signal?: AbortSignal) {
	return get("/by-hand/{key}", { params: { path: { key: type }, query: { term } }, signal });
}

function Sortable({ type, term, order }: { type: string; term: number | null; order: OrderByHand }) {
	const client = useQueryClient();
	const [now, setNow] = useState(order.items);
	const revision = useRef(order.revision);
	/** The number of refused saves. A move from before a refusal started from the old order. */
	const refused = useRef(0);
	const take = (answer: OrderByHand) => {
		setNow(answer.items);
		revision.current = answer.revision;
		client.setQueryData(["by hand", type, term], answer);
	};
	const save = useMutation({
		mutationFn: ({ next, before }: { next: PlacedItem[]; before: number }) => {
			if (before !== refused.current) {
				throw new ApiError(409, "The order changed before this move was saved.");
			}
			return put("/by-hand/{key}", {
				params: { path: { key: type } },
				body: {
					term,
					revision: revision.current,
					ids: next.filter((one) => one.placed).map((one) => one.id),
				},
			});
		},
		scope: { id: "order by hand" },
		onSuccess: take,
		onError: async (error) => {
			if (error instanceof ApiError && error.isStale) {
				refused.current++;
				take(await orderByHand(type, term));
			}
		},
	});
	/** Placing an item also places all items before it, so that the visible order is saved. */
	const place = (next: PlacedItem[], last: number) => {
		const placed = next.map((one, i) => (i <= last ? { ...one, placed: true } : one));
		setNow(placed);
		save.mutate({ next: placed, before: refused.current });
	};
	const moveTo = (ids: Set<number>, target: number, where: "before" | "after") => {
		const moved = now.filter((one) => ids.has(one.id));
		const rest = now.filter((one) => !ids.has(one.id));
		const at = rest.findIndex((one) => one.id === target) + (where === "after" ? 1 : 0);
		const next = [...rest.slice(0, at), ...moved, ...rest.slice(at)];
		place(
			next,
			Math.max(
				at + moved.length - 1,
				next.findLastIndex((one) => one.placed),
			),
		);
	};
	const step = (i: number, to: number) => {
		const next = [...now];
		next.splice(to, 0, ...next.splice(i, 1));
		place(
			next,
			Math.max(
				to,
				i,
				next.findLastIndex((one) => one.placed),
			),
		);
	};
	const { dragAndDropHooks } = useDragAndDrop({
		getItems: (keys) => [...keys].map((key) => ({ "text/plain": String(key) })),
		onReorder: (event) =>
			moveTo(
				new Set([...event.keys].map(Number)),
				Number(event.target.key),
				event.target.dropPosition === "before" ? "before" : "after",
			),
	});
	const first = now.findIndex((one) => !one.placed);
	return (
		<>
			{save.error && (
				<Notice>
					{save.error instanceof ApiError && save.error.isStale
						? "Someone else changed this order in the meantime, so your move was not saved. " +
							"The list shows their order: move the item again."
						: save.error.message}
				</Notice>
			)}
			<p role="status" className="text-quiet">
				{save.isPending ? "Keeping the order…" : `${first === -1 ? now.length : first} placed by hand.`}{" "}
				{first > 0 && (
					<button
						type="button"
						className="plain-add"
						onClick={() => save.mutate({ next: [], before: refused.current })}
					>
						Forget the order
					</button>
				)}
			</p>
			<GridList
				aria-label="Items in their order"
				items={now}
				dragAndDropHooks={dragAndDropHooks}
				className="bg-base-100 border border-base-300 rounded-box divide-y divide-base-300 outline-none"
			>
				{(one) => {
					const i = now.findIndex((other) => other.id === one.id);
					return (
						<GridListItem
							id={one.id}
							textValue={one.title}
							className="flex items-center gap-3 px-4 py-1.5 outline-none data-[focus-visible]:outline-2
								data-[focus-visible]:outline-secondary data-[dragging]:opacity-50"
						>
							<Button slot="drag" className="cursor-grab text-quiet px-1" aria-label={`Drag ${one.title}`}>
								⋮⋮
							</Button>
							<span className="w-8 text-right text-quiet">{one.placed ? i + 1 : "–"}</span>
							{one.picture ? (
								<img
									src={one.picture}
									alt=""
									width={64}
									height={48}
									loading="lazy"
									className="w-16 h-12 object-cover rounded shrink-0"
								/>
							) : (
								<span className="w-16 h-12 rounded border border-dashed border-[#b9b4a4] shrink-0" title="No picture" />
							)}
							<span className="grow min-w-0">{one.title}</span>
							<Button
								className="btn btn-xs btn-ghost"
								isDisabled={i === 0}
								aria-label={`Move ${one.title} up`}
								onPress={() => step(i, i - 1)}
							>
								↑
							</Button>
							<Button
								className="btn btn-xs btn-ghost"
								isDisabled={i === now.length - 1}
								aria-label={`Move ${one.title} down`}
								onPress={() => step(i, i + 1)}
							>
								↓
							</Button>
							<Button
								className="btn btn-xs btn-ghost"
								isDisabled={i === 0}
								aria-label={`Move ${one.title} to the top`}
								onPress={() => step(i, 0)}
							>
								top
							</Button>
						</GridListItem>
					);
				}}
			</GridList>
		</>
	);
}
