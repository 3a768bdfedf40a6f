import { useMutation, useQueryClient } from "@tanstack/react-query";
import { createContext, type ReactNode, useCallback, useContext, useEffect, useState } from "react";
import { finished, post } from "./api/api";

/** An action that a message offers. Its answer is the next message. */
export interface DoneAction {
	words: string;
	act: () => Promise<string>;
}

interface Said {
	words: string;
	change: number | null;
	left: string[];
	actions: DoneAction[];
}

type Tell = (words: string, change?: number | null, left?: string[], actions?: DoneAction[]) => void;

const DoneContext = createContext<Tell>(() => {});

/** Shows a message about a finished action at the bottom of the screen, with an undo button if possible. */
export function useDone() {
	return useContext(DoneContext);
}

export function DoneProvider({ children }: { children: ReactNode }) {
	const client = useQueryClient();
	const [said, setSaid] = useState<Said | null>(null);
	const done = useCallback(
		(words: string, change: number | null = null, left: string[] = [], actions: DoneAction[] = []) =>
			setSaid({ words, change, left, actions }),
		[],
	);
	const undo = useMutation({
		mutationFn: (change: number) => finished(post("/changes/{change}/undo", { params: { path: { change } } })),
		onSuccess: (answer) => {
			void client.invalidateQueries();
			done("Undone.", null, answer.left);
		},
		onError: (error) => done(`Not undone: ${error.message}`),
	});
	const act = useMutation({
		mutationFn: (action: DoneAction) => action.act(),
		onSuccess: (words) => {
			void client.invalidateQueries();
			done(words);
		},
		onError: (error) => done(error.message),
	});
	useEffect(() => {
		if (said && said.change === null && said.left.length === 0 && said.actions.length === 0) {
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
					<div
						className="pointer-events-auto max-w-2xl bg-neutral text-neutral-content rounded-box shadow-lg px-4 py-2.5
						flex flex-wrap items-center gap-x-4 gap-y-1"
					>
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
						{said.actions.map((one) => (
							<button
								key={one.words}
								type="button"
								className="font-semibold underline decoration-[#f0b184] underline-offset-4 cursor-pointer"
								disabled={act.isPending}
								onClick={() => act.mutate(one)}
							>
								{one.words}
							</button>
						))}
						<button
							type="button"
							className="cursor-pointer text-[#c6dadb]"
							aria-label="Close this message"
							onClick={() => setSaid(null)}
						>
							×
						</button>
						{said.left.length > 0 && (
							<ul className="basis-full text-sm text-[#f6dccd] max-h-32 overflow-y-auto">
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
