import { Link } from "react-router";
import type { Item } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { useShown } from "./useShown";

/** The modules that show the item now, and the nearest that do not, with the reason. */
export function ShownIn({ item }: { item: Item }) {
	const { user } = useStart();
	const shown = useShown(item);
	return (
		<section aria-labelledby="shown-in" className="grid gap-3">
			<h2 id="shown-in" className="font-serif text-lg font-semibold">
				Where it shows
			</h2>
			{shown.data?.length === 0 && <p className="text-quiet">No live module takes this type yet.</p>}
			<ul className="grid gap-2.5">
				{shown.data?.map((one) => (
					<li
						key={one.module}
						className={`border-l-3 pl-3 ${one.place === null ? "border-base-300" : "border-success"}`}
					>
						{user.role === "manager" ? (
							<Link to={`/modules/${one.module}`} className="font-semibold hover:underline">
								{one.name}
							</Link>
						) : (
							<strong className="font-semibold">{one.name}</strong>
						)}
						{one.place !== null ? (
							<p className="text-quiet text-sm">
								{place(one.place)} of its records{one.page !== null && one.page > 1 ? `, on page ${one.page}` : ""}
								{one.pages.length === 0
									? "; the module is on no page"
									: one.pages.map((page, i) => (
											<span key={page.title + page.address}>
												{i === 0 ? (page.address === "" ? "; " : "; on ") : ", "}
												{page.address === "" || page.address.includes("{") ? (
													page.title
												) : (
													<a href={page.address} className="underline">
														{page.title}
													</a>
												)}
											</span>
										))}
								.
							</p>
						) : (
							<ul className="text-secondary text-sm">
								{one.reasons.map((why) => (
									<li key={why}>{why}</li>
								))}
								{one.wouldStand !== null && (
									<li className="text-quiet">
										Had it passed it would stand {place(one.wouldStand)}
										{one.page !== null && one.page > 1 ? `, on page ${one.page}` : ""}.
									</li>
								)}
							</ul>
						)}
						{one.gaps.length > 0 && (
							<p className="text-sm">
								<span className="text-secondary">Nothing to show in</span>{" "}
								{one.gaps.map((gap) => `${gap.part} (it ${gap.then})`).join(", ")}.
							</p>
						)}
						<details className="text-sm">
							<summary className="cursor-pointer text-quiet py-0.5">
								rule by rule<span className="sr-only">: {one.name}</span>
							</summary>
							<ol className="grid gap-0.5 py-1">
								{one.steps.map((step) => (
									<li key={step.step} className={step.passed === false ? "text-secondary" : "text-quiet"}>
										<span aria-hidden="true">{step.passed === false ? "✗" : step.passed === null ? "–" : "✓"}</span>{" "}
										<span className="sr-only">
											{step.passed === false ? "not passed: " : step.passed === null ? "not asked: " : "passed: "}
										</span>
										{step.sentence}
									</li>
								))}
							</ol>
						</details>
					</li>
				))}
			</ul>
		</section>
	);
}

function place(n: number): string {
	const ending = n % 100 >= 11 && n % 100 <= 13 ? "th" : (["th", "st", "nd", "rd"][n % 10] ?? "th");
	return `${n}${ending}`;
}
