import { keepPreviousData, queryOptions, skipToken, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { get, post } from "../shared/api/api";
import { PREVIEW } from "../shared/api/previews";
import type { LookFile } from "../shared/api/schema";
import { type Device, DeviceSwitch } from "../shared/preview/DeviceSwitch";
import { PagePreview } from "../shared/preview/PagePreview";

/** A page of the site in this look, and beside it in the live look. */
export function PagesOfLook({
	definition,
	compares,
	live,
}: {
	definition: LookFile;
	compares: boolean;
	live: string | undefined;
}) {
	const [device, setDevice] = useState<Device>("Laptop");
	const [address, setAddress] = useState("/");
	const start = useQuery({
		queryKey: ["look file", live, "live"],
		queryFn:
			compares && live !== undefined
				? ({ signal }) => get("/looks/{key}", { params: { path: { key: live } }, signal })
				: skipToken,
	});
	const page = (look: LookFile | undefined) =>
		queryOptions({
			queryKey: [PREVIEW, "look", look, address],
			queryFn:
				look === undefined
					? skipToken
					: ({ signal }: { signal: AbortSignal }) =>
							post("/looks/preview", { body: { definition: look, address }, signal }),
			placeholderData: keepPreviousData,
		});
	const tried = useQuery(page(definition));
	const before = useQuery(page(compares ? start.data?.definition : undefined));
	return (
		<div className="flex-1 min-h-[70vh] flex flex-col bg-stage">
			<div className="flex flex-wrap items-center gap-4 px-4 py-1.5 bg-base-200 border-b border-base-300">
				<label className="flex items-center gap-2 text-sm">
					Address
					<input
						className="input input-sm w-48"
						defaultValue={address}
						onKeyDown={(event) => event.key === "Enter" && setAddress(event.currentTarget.value)}
						onBlur={(event) => setAddress(event.target.value)}
					/>
				</label>
				<span className="flex-1" />
				<DeviceSwitch device={device} onChange={setDevice} />
			</div>
			{tried.error && <p className="p-4 text-error">{tried.error.message}</p>}
			<div className="flex-1 min-h-0 flex gap-3 p-3">
				{compares && before.data && (
					<div className="flex-1 flex flex-col min-w-0 gap-1">
						<span className="text-sm text-quiet">Live</span>
						<div className="flex-1 flex min-h-0">
							<PagePreview html={before.data.html} device={device} />
						</div>
					</div>
				)}
				{tried.data && (
					<div className="flex-1 flex flex-col min-w-0 gap-1">
						{compares && <span className="text-sm text-quiet">This look</span>}
						<div className="flex-1 flex min-h-0">
							<PagePreview html={tried.data.html} device={device} />
						</div>
					</div>
				)}
			</div>
		</div>
	);
}
