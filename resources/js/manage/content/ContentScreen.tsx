import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, Navigate, useParams, useSearchParams } from "react-router";
import { get } from "../shared/api";
import { Notice } from "../shared/Notice";
import { moment, useStart } from "../shared/start";
import type { ContentType, Field, Item, ItemPage, Start } from "../shared/types";

const COLUMNS = 5;

/** The items of one type as a table: found by title, ordered by a column, a page at a time. */
export function ContentScreen() {
	const start = useStart();
	const { type: key } = useParams();
	const type = start.types.find((one) => one.key === key);
	if (!type) {
		const first = start.types[0];
		return first ? (
			<Navigate to={`/content/${first.key}`} replace />
		) : (
			<div className="p-6">
				<Notice tone="calm">There are no content types yet. Define one with wellspring:types:apply.</Notice>
			</div>
		);
	}
	return <Table key={type.key} type={type} />;
}

function Table({ type }: { type: ContentType }) {
	const start = useStart();
	const [asked, setAsked] = useSearchParams();
	const words = asked.get("q") ?? "";
	const sort = asked.get("sort") ?? "updated_at";
	const direction = asked.get("direction") ?? (sort === "title" ? "asc" : "desc");
	const page = Number(asked.get("page") ?? 1);
	const status = asked.get("status") ?? "";
	useEffect(() => {
		document.title = `${type.plural} · Wellspring`;
	}, [type.plural]);

	const query = new URLSearchParams({ type: type.key, q: words, sort, direction, page: String(page), status });
	const items = useQuery({
		queryKey: ["items", query.toString()],
		queryFn: () => get<ItemPage>(`/items?${query}`),
		placeholderData: keepPreviousData,
	});
	const ask = (next: Record<string, string>) => {
		const merged = new URLSearchParams(asked);
		for (const [name, value] of Object.entries({ page: "", ...next })) {
			value === "" ? merged.delete(name) : merged.set(name, value);
		}
		setAsked(merged, { replace: true });
	};
	const fields = [
		...type.fields.filter((one) => one.origin === "taxonomy"),
		...type.fields.filter((one) => one.origin === "type" && !["picture", "longText"].includes(one.family)),
	].slice(0, COLUMNS);
	const picture = type.fields.find((one) => one.family === "picture");
	const heading = (column: string, label: string) => (
		<th
			scope="col"
			className="px-3 py-2 text-left font-semibold"
			aria-sort={sort === column ? (direction === "asc" ? "ascending" : "descending") : "none"}
		>
			<button
				type="button"
				className="cursor-pointer hover:underline"
				onClick={() => ask({ sort: column, direction: sort === column && direction === "asc" ? "desc" : "asc" })}
			>
				{label} <span aria-hidden="true">{sort === column ? (direction === "asc" ? "↑" : "↓") : ""}</span>
			</button>
		</th>
	);

	return (
		<div className="w-full max-w-7xl mx-auto px-4 md:px-6 py-6 grid gap-4 content-start">
			<div className="flex flex-wrap items-end gap-x-5 gap-y-3">
				<h1 className="font-serif text-3xl font-semibold">Content</h1>
				<nav aria-label="Types" className="flex gap-4 grow pb-1">
					{start.types.map((one) => (
						<Link
							key={one.key}
							to={`/content/${one.key}`}
							aria-current={one.key === type.key ? "page" : undefined}
							className={`border-b-2 py-0.5 ${one.key === type.key ? "font-semibold border-secondary" : "border-transparent text-quiet hover:text-base-content"}`}
						>
							{one.plural}
						</Link>
					))}
				</nav>
				<input
					type="search"
					className="input input-sm h-9 w-52"
					placeholder="Find by title"
					aria-label={`Find ${type.plural.toLowerCase()} by title`}
					value={words}
					onChange={(event) => ask({ q: event.target.value })}
				/>
				<select
					className="select select-sm h-9 w-auto"
					aria-label="State"
					value={status}
					onChange={(event) => ask({ status: event.target.value })}
				>
					<option value="">any state</option>
					<option value="published">published</option>
					<option value="draft">draft</option>
				</select>
				<Link to={`/content/${type.key}/new`} className="btn btn-primary btn-sm h-9">
					New {type.label.toLowerCase()}
				</Link>
			</div>
			{items.error && <Notice>{items.error.message}</Notice>}
			<div className="bg-base-100 border border-base-300 rounded-box overflow-x-auto">
				<table className="w-full">
					<thead className="border-b border-base-300 text-[0.85rem] text-quiet">
						<tr>
							{picture && (
								<th scope="col" className="w-14">
									<span className="sr-only">{picture.label}</span>
								</th>
							)}
							{heading("title", "Title")}
							{fields.map((field) => (
								<th
									key={field.key}
									scope="col"
									className={`px-3 py-2 font-semibold ${field.family === "number" ? "text-right" : "text-left"}`}
								>
									{field.label}
								</th>
							))}
							<th scope="col" className="px-3 py-2 text-left font-semibold">
								State
							</th>
							{heading("publish_at", "Publish date")}
							{heading("updated_at", "Last change")}
						</tr>
					</thead>
					<tbody className="divide-y divide-base-300">
						{items.data?.items.map((item) => (
							<tr key={item.id} className="hover:bg-base-200">
								{picture && (
									<td className="pl-3 py-1.5">
										<Thumb item={item} field={picture} />
									</td>
								)}
								<td className="px-3 py-1.5">
									<Link to={`/content/${type.key}/${item.id}`} className="font-semibold hover:underline">
										{item.title}
									</Link>
								</td>
								{fields.map((field) => (
									<td key={field.key} className={`px-3 py-1.5 ${field.family === "number" ? "text-right" : ""}`}>
										<Cell item={item} field={field} start={start} />
									</td>
								))}
								<td className="px-3 py-1.5">
									<ItemState item={item} />
								</td>
								<td className="px-3 py-1.5 whitespace-nowrap">
									{typeof item.values.publish_at === "string" ? moment(start, item.values.publish_at, false) : "–"}
								</td>
								<td className="px-3 py-1.5 whitespace-nowrap text-quiet">{moment(start, item.updatedAt, false)}</td>
							</tr>
						))}
					</tbody>
				</table>
				{items.data?.total === 0 && <p className="px-5 py-6 text-quiet">Nothing fits.</p>}
			</div>
			{items.data && (
				<div className="flex items-center gap-4">
					<span className="text-quiet">
						{items.data.total} {items.data.total === 1 ? type.label.toLowerCase() : type.plural.toLowerCase()}
					</span>
					{items.data.pages > 1 && (
						<nav aria-label="Pages" className="flex items-center gap-2">
							<button
								type="button"
								className="btn btn-sm"
								disabled={page <= 1}
								onClick={() => ask({ page: String(page - 1) })}
							>
								Previous
							</button>
							page {page} of {items.data.pages}
							<button
								type="button"
								className="btn btn-sm"
								disabled={page >= items.data.pages}
								onClick={() => ask({ page: String(page + 1) })}
							>
								Next
							</button>
						</nav>
					)}
				</div>
			)}
		</div>
	);
}

function Thumb({ item, field }: { item: Item; field: Field }) {
	const picture = item.pictures[String(item.values[field.key] ?? "")];
	return picture ? (
		<img src={picture.url} alt="" width={48} height={36} className="w-12 h-9 object-cover rounded" loading="lazy" />
	) : (
		<span className="block w-12 h-9 rounded border border-dashed border-[#b9b4a4]" title="No picture" />
	);
}

function ItemState({ item }: { item: Item }) {
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

function Cell({ item, field, start }: { item: Item; field: Field; start: Start }) {
	const value = item.values[field.key];
	if (value === null || value === undefined) {
		return <span className="text-quiet">–</span>;
	}
	if (field.kind === "money") {
		return new Intl.NumberFormat(start.site.locale, { style: "currency", currency: start.site.currency }).format(
			Number(value),
		);
	}
	if (field.family === "terms") {
		const terms = start.taxonomies.find((one) => one.key === field.key)?.terms ?? [];
		return (value as string[]).map((slug) => terms.find((one) => one.slug === slug)?.name ?? slug).join(", ");
	}
	if (field.family === "choice" || field.family === "choices") {
		return [value]
			.flat()
			.map((key) => field.choices.find((one) => one.key === key)?.label ?? String(key))
			.join(", ");
	}
	if (typeof value === "boolean") {
		return value ? "yes" : "no";
	}
	return field.unit ? `${value} ${field.unit}` : String(value);
}
