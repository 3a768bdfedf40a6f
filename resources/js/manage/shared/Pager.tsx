/** The page buttons of a table. */
export function Pager({ page, pages, onGo }: { page: number; pages: number; onGo: (page: number) => void }) {
	return pages <= 1 ? null : (
		<nav aria-label="Pages" className="flex items-center gap-2">
			<button type="button" className="btn btn-sm" disabled={page <= 1} onClick={() => onGo(page - 1)}>
				Previous
			</button>
			page {page.toLocaleString()} of {pages.toLocaleString()}
			<button type="button" className="btn btn-sm" disabled={page >= pages} onClick={() => onGo(page + 1)}>
				Next
			</button>
		</nav>
	);
}
