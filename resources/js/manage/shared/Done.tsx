import { useMutation, useQueryClient } from "@tanstack/react-query";
import { createContext, type ReactNode, useCallback, useContext, useEffect, useState } from "react";
import { sendLong } from "./api";

interface Said {
	words: string;
	change: number | null;
	left: string[];
}

const DoneContext = createContext<(words: string, change?: number | null, left?: string[]) => void>(() => {});

/** Tells what was done, at the foot of the screen, and offers to undo it. */
export function useDone() {
	return useContext(DoneContext);
}

export function DoneProvider({ children }: { children: ReactNode }) {
	const client = useQueryClient();
	const [said, setSaid] = useState<Said | null>(null);
	const done = useCallback(
		(words: string, change: number | null = null, left: string[] = []) => setSaid({ words, change, left }),
		[],
	);
	const undo = useMutation({
		mutationFn: (change: number) => sendLong<{ undone: number; left: string[] }>("POST", `/changes/${change}/undo`, {}),
		onSuccess: (answer) => {
			void client.invalidateQueries();
			setSaid({ words: "Undone.", change: null, left: answer.left });
		},
		onError: (error) => setSaid({ words: `Not undone: ${error.message}`, change: null, left: [] }),
	});
	useEffect(() => {
		if (said && said.change === null && said.left.length === 0) {
			const timer = setTimeout(() => setSaid(null), 6000);
			return () => clearTimeout(timer);
		}
	}, [said]);
	return (
		<DoneContext value={done}>
			{children}
			<div
				role="status"
				aria-live="polite"
				className="fixed z-40 bottom-4 inset-x-4 flex justify-center pointer-events-none"
			>
				{said && (
					<div className="pointer-events-auto max-w-2xl bg-neutral text-neutral-content rounded-box shadow-lg px-4 py-2.5 flex flex-wrap items-center gap-x-4 gap-y-1">
						<span>{said.words}</span>
						{said.change !== null && (
							<button
								type="button"
								className="font-semibold underline decoration-[#f0b184] underline-offset-4 cursor-pointer"
								disabled={undo.isPending}
								onClick={() => undo.mutate(said.change as number)}
							>
								{undo.isPending ? "Undoing…" : "Undo"}
							</button>
						)}
						<button
							type="button"
							className="cursor-pointer text-[#c6dadb]"
							aria-label="Close this message"
							onClick={() => setSaid(null)}
						>
							×
						</button>
						{said.left.length > 0 && (
							<ul className="basis-full text-[0.85rem] text-[#f6dccd] max-h-32 overflow-y-auto">
								{said.left.map((why) => (
									<li key={why}>Left as it is: {why}</li>
								))}
							</ul>
						)}
					</div>
				)}
			</div>
		</DoneContext>
	);
}
