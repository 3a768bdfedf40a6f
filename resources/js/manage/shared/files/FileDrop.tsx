import { type ReactNode, useRef } from "react";
import { isFileDropItem, useDrop } from "react-aria-components";

/** An area that accepts dropped and pasted files. A button inside it opens the file dialog for the keyboard. */
export function FileDrop({
	className,
	onFiles,
	children,
}: {
	className: string;
	onFiles: (files: File[]) => void;
	children: ReactNode;
}) {
	const area = useRef<HTMLDivElement>(null);
	const { dropProps, isDropTarget } = useDrop({
		ref: area,
		getDropOperation: () => "copy",
		onDrop: ({ items }) => {
			const dropped = items.filter(isFileDropItem);
			if (dropped.length > 0) {
				void Promise.all(dropped.map((item) => item.getFile())).then(onFiles);
			}
		},
	});
	return (
		<div
			{...dropProps}
			ref={area}
			className={`border border-dashed ${className} ${isDropTarget ? "border-secondary bg-accent" : "border-[#8b9a9c]"}`}
			onPaste={(event) => {
				const files = [...event.clipboardData.files];
				if (files.length > 0) {
					event.preventDefault();
					onFiles(files);
				}
			}}
		>
			{children}
		</div>
	);
}
