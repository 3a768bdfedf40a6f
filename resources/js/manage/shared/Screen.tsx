import type { ReactNode } from "react";
import { useTitle } from "./shell/useTitle";

/** The layout of a screen: its title, its buttons, and its content. */
export function Screen({
	title,
	about,
	aside,
	children,
	wide = false,
}: {
	title: string;
	about?: string;
	aside?: ReactNode;
	children: ReactNode;
	wide?: boolean;
}) {
	useTitle(title);
	return (
		<div
			className={`w-full ${wide ? "max-w-[100rem]" : "max-w-6xl"} mx-auto px-4 md:px-6 py-6 grid grid-cols-[minmax(0,1fr)]
				gap-5 content-start`}
		>
			<div className="flex flex-wrap items-end gap-x-5 gap-y-3">
				<div className="grow">
					<h1 className="font-serif text-3xl font-semibold">{title}</h1>
					{about && <p className="text-quiet">{about}</p>}
				</div>
				{aside}
			</div>
			{children}
		</div>
	);
}
