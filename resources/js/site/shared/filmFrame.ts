/** A frame that runs its own scripts without access to this page. */
export function filmFrame(address: string, title: string): HTMLIFrameElement {
	const frame = document.createElement("iframe");
	frame.setAttribute("sandbox", "allow-scripts allow-same-origin allow-presentation");
	frame.allow = "fullscreen; autoplay";
	frame.referrerPolicy = "strict-origin";
	frame.title = title;
	frame.src = address;
	return frame;
}
