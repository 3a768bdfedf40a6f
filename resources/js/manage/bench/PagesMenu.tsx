import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Button, Dialog, DialogTrigger, Popover } from "react-aria-components";
import { send } from "../shared/api";
import { Notice } from "../shared/Notice";
import type { ModuleWhole } from "../shared/schema";
import { useStart } from "../shared/start";

/** On which pages the module stands; a change takes effect at once. */
export function PagesMenu({ module, onPlaced }: { module: ModuleWhole; onPlaced: (now: ModuleWhole) => void }) {
	const { pages } = useStart();
	const client = useQueryClient();
	const on = module.pages.map((one) => one.id);
	const place = useMutation({
		mutationFn: (next: number[]) => send<ModuleWhole>("PUT", `/modules/${module.key}/pages`, { pages: next }),
		onSuccess: (now) => {
			onPlaced(now);
			void client.invalidateQueries({ queryKey: ["look"] });
			void client.invalidateQueries({ queryKey: ["modules"] });
		},
	});
	return (
		<DialogTrigger>
			<Button className="word">
				{on.length === 0 ? "on no page" : on.length === 1 ? `on ${module.pages[0]?.title}` : `on ${on.length} pages`}
			</Button>
			<Popover
				isNonModal
				placement="bottom end"
				className="bg-base-100 border border-base-300 rounded-box shadow-lg p-4 w-72"
			>
				<Dialog className="outline-none grid gap-2" aria-label="Pages it stands on">
					<p className="text-quiet text-[0.85rem]">Visitors see it there once it is published.</p>
					{pages.map((page) => (
						<label key={page.id} className="flex items-center gap-2 cursor-pointer">
							<input
								type="checkbox"
								className="checkbox checkbox-sm"
								checked={on.includes(page.id)}
								disabled={place.isPending}
								onChange={(event) =>
									place.mutate(event.target.checked ? [...on, page.id] : on.filter((id) => id !== page.id))
								}
							/>
							<span className="flex-1">{page.title}</span>
							<span className="text-quiet text-[0.85rem]">{page.address}</span>
						</label>
					))}
					{place.error && <Notice>{place.error.message}</Notice>}
				</Dialog>
			</Popover>
		</DialogTrigger>
	);
}
