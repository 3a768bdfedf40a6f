import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Button, DialogTrigger } from "react-aria-components";
import { useNavigate } from "react-router";
import { get, post, put } from "../shared/api/api";
import type { ModuleWhole } from "../shared/api/schema";
import { Dropdown } from "../shared/Dropdown";
import { Notice } from "../shared/Notice";
import { placesWords } from "../shared/placesWords";
import { usePlacing } from "../shared/usePlacing";

/** The places of the module. A change applies to the page's draft; visitors see it after that page is published. */
export function PagesMenu({ module, onPlaced }: { module: ModuleWhole; onPlaced: (now: ModuleWhole) => void }) {
	const client = useQueryClient();
	const go = useNavigate();
	const pages = useQuery({ queryKey: ["pages"], queryFn: ({ signal }) => get("/pages", { signal }) });
	const place = usePlacing(onPlaced);
	const { places } = module;
	const own = new Map(places.filter((one) => one.how === "own" && one.page !== null).map((one) => [one.page, one]));
	const others = places.filter((one) => one.how !== "own");
	const { name } = module.definition;
	const make = useMutation({
		mutationFn: async () => {
			const page = await post("/pages", { body: { title: name } });
			await put("/modules/{key}/pages/{page}", {
				params: { path: { key: module.key, page: page.key } },
				body: { stands: true },
			});
			return page;
		},
		onSuccess: (page) => {
			void client.invalidateQueries({ queryKey: ["pages"] });
			void go(`/pages/${page.key}`);
		},
	});
	return (
		<DialogTrigger>
			<Button className="word">{placesWords(places)}</Button>
			<Dropdown label="Where it stands" isNonModal placement="bottom end" width="w-80" gap="gap-2">
				<p className="text-quiet text-sm">A change is made in the page’s draft. Publish the page to show it.</p>
				{pages.data?.map((page) => {
					const at = own.get(page.key);
					const stands = at !== undefined && at.state !== "removed";
					return (
						<label key={page.key} className="flex items-start gap-2 cursor-pointer">
							<input
								type="checkbox"
								className="checkbox checkbox-sm mt-0.5"
								checked={stands}
								disabled={place.isPending}
								onChange={() => place.mutate({ module: module.key, page: page.key, stands: !stands })}
							/>
							<span className="flex-1">
								{page.title}
								{at && at.state !== "live" && (
									<span className="block text-xs text-secondary">
										{at.state === "removed" ? "off its draft, still live" : "on its draft, not live yet"}
									</span>
								)}
							</span>
							<span className="text-quiet text-sm">{page.address}</span>
						</label>
					);
				})}
				{others.map((one) => (
					<p key={one.words} className="text-sm">
						Also {one.words}
					</p>
				))}
				<button
					type="button"
					className="plain-add justify-self-start"
					disabled={make.isPending}
					onClick={() => make.mutate()}
				>
					+ a new page for it
				</button>
				{(place.error ?? make.error) && <Notice>{(place.error ?? make.error)?.message}</Notice>}
			</Dropdown>
		</DialogTrigger>
	);
}
