import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { post } from "../../api/api";
import { Fault } from "../../Fault";
import { type Device, DeviceSwitch } from "../../preview/DeviceSwitch";
import { PagePreview } from "../../preview/PagePreview";
import { Sheet } from "../../Sheet";

/** The preview of a text: in the site's look and at its text width. */
export function TextPreview({ label, html, onClose }: { label: string; html: string; onClose: () => void }) {
	const [device, setDevice] = useState<Device>(window.innerWidth < 640 ? "Phone" : "Laptop");
	const page = useQuery({
		queryKey: ["text preview", html, label],
		queryFn: ({ signal }) => post("/texts/preview", { body: { html, title: label }, signal }),
	});
	return (
		<Sheet title={`Preview of ${label}`} onClose={onClose} wide>
			<DeviceSwitch device={device} onChange={setDevice} />
			{page.error && <Fault error={page.error} onRetry={page.refetch} />}
			<div className="h-[62vh] flex flex-col bg-stage">
				{page.data && <PagePreview html={page.data.html} device={device} />}
			</div>
		</Sheet>
	);
}
