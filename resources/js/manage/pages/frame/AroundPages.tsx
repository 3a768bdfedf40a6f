import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { Link } from "react-router";
import { post } from "../../shared/api/api";
import { PREVIEW } from "../../shared/api/previews";
import type { PreviewContext } from "../../shared/api/schema";
import { useStart } from "../../shared/api/start";
import { SeenBy } from "../../shared/controls/SeenBy";
import { DraftHeader } from "../../shared/drafts/DraftHeader";
import type { Drafted, KeptDraft } from "../../shared/drafts/useKeptDraft";
import type { Standing } from "../../shared/drafts/useStanding";
import { PickByTyping } from "../../shared/fields/PickByTyping";
import { Notice } from "../../shared/Notice";
import { type Device, DeviceSwitch } from "../../shared/preview/DeviceSwitch";
import { PagePreview } from "../../shared/preview/PagePreview";

/** The frame or a menu: its plan, and beside it a page with the drafts around it. */
export function AroundPages<T>({
	title,
	kind,
	stored,
	draft,
	newest,
	children,
}: {
	title: string;
	kind: "frame" | "menu";
	stored: Drafted<T> & Standing;
	draft: KeptDraft<T>;
	newest: () => Promise<Drafted<T> & Standing>;
	/** The plan. */
	children: ReactNode;
}) {
	const client = useQueryClient();
	const { pages } = useStart();
	const { definition, keeping } = draft;
	const places = pages.filter((one) => !one.address.includes("{"));
	const [address, setAddress] = useState(places[0]?.address ?? "/");
	const [device, setDevice] = useState<Device>("Laptop");
	const [context, setContext] = useState<PreviewContext>({});
	const kept = keeping.state === "kept" ? keeping.at : null;
	// The preview shows the saved draft around the page.
	const look = useQuery({
		queryKey: [PREVIEW, "frame", address, context, kept && JSON.stringify(definition)],
		queryFn: ({ signal }) => post("/frame/preview", { body: { ...context, address }, signal }),
		enabled: kept !== null,
		placeholderData: keepPreviousData,
	});
	return (
		<div className="flex-1 flex flex-col min-h-0 min-w-0">
			<DraftHeader
				title={title}
				kind={kind}
				stored={stored}
				draft={draft}
				newest={newest}
				onPublished={() => void client.invalidateQueries({ queryKey: ["menus"] })}
			>
				<Link to="/pages" className="text-quiet hover:underline lg:hidden">
					Pages <span aria-hidden="true">›</span>
				</Link>
			</DraftHeader>
			<div className="flex-1 min-h-0 grid grid-cols-[minmax(0,1fr)] xl:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
				<section className="bg-base-200 overflow-y-auto p-3 grid gap-2.5 content-start" aria-label="Plan">
					{children}
				</section>
				<section
					className="bg-stage flex flex-col min-h-[60vh] border-l border-base-300"
					aria-label="What visitors get"
				>
					<div
						className="flex flex-wrap items-center gap-x-2 gap-y-1 px-3 py-1 min-h-11 bg-base-200 border-b
						border-base-300 text-sm"
					>
						<span className="text-quiet">around</span>
						<div className="w-40">
							<PickByTyping
								label="Around which page"
								placeholder="find a page"
								options={places.map((one) => ({ key: one.address, label: one.title, beside: one.address }))}
								value={address}
								onPick={(picked) => picked !== null && setAddress(picked)}
							/>
						</div>
						<span className="text-quiet">seen by</span>
						<SeenBy previewContext={context} set={(next) => setContext((now) => ({ ...now, ...next }))} />
						<span className="flex-1" />
						<DeviceSwitch device={device} onChange={setDevice} />
					</div>
					<div className="flex-1 min-h-0 flex p-3">
						{look.error ? (
							<Notice>{look.error.message}</Notice>
						) : (
							look.data && <PagePreview html={look.data.html} device={device} />
						)}
					</div>
				</section>
			</div>
		</div>
	);
}
