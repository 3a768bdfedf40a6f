import { type ComponentProps, lazy, Suspense } from "react";

const RichTextEditor = lazy(() => import("./richText/RichTextEditor"));

/** Text with markup. The editor is loaded only when it is needed. */
export function RichText(props: ComponentProps<typeof RichTextEditor>) {
	return (
		<Suspense fallback={<div className="min-h-52 border border-[#8b9a9c] rounded-field bg-base-100" />}>
			<RichTextEditor {...props} />
		</Suspense>
	);
}
