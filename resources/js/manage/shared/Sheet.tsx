import type { ReactNode } from "react";
import { Dialog, Heading, Modal, ModalOverlay } from "react-aria-components";

/** A modal dialog that needs an answer. */
export function Sheet({
	title,
	onClose,
	children,
	wide = false,
}: {
	title: string;
	onClose: () => void;
	children: ReactNode;
	wide?: boolean;
}) {
	return (
		<ModalOverlay
			isOpen
			isDismissable
			onOpenChange={(open) => !open && onClose()}
			className="fixed inset-0 z-30 bg-[#0b2326]/40 grid place-items-center p-4 overflow-y-auto"
		>
			<Modal
				className={`w-full ${wide ? "max-w-4xl" : "max-w-lg"} bg-base-100 rounded-box border border-base-300 shadow-xl`}
			>
				<Dialog className="p-5 md:p-6 grid gap-4 rounded-box outline-none max-h-[88vh] overflow-y-auto">
					<div className="flex items-start gap-4">
						<Heading slot="title" className="font-serif text-2xl font-semibold grow">
							{title}
						</Heading>
						<button type="button" className="btn btn-sm btn-ghost" onClick={onClose}>
							Close
						</button>
					</div>
					{children}
				</Dialog>
			</Modal>
		</ModalOverlay>
	);
}
