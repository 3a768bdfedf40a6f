import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { get, watchTasks } from "../api/api";
import type { Task } from "../api/schema";

/** The running tasks with their progress. They continue when the person leaves the screen. */
export function TaskBar() {
	const [own, setOwn] = useState<Task | null>(null);
	const tasks = useQuery({
		queryKey: ["tasks"],
		queryFn: ({ signal }) => get("/tasks", { signal }),
		// Only tasks from before this page was opened have to be requested.
		refetchInterval: (query) => ((query.state.data?.length ?? 0) > 0 ? 2000 : false),
	});
	useEffect(() => watchTasks(setOwn), []);
	const shown = [...(own ? [own] : []), ...(tasks.data ?? []).filter((one) => one.id !== own?.id)];
	return shown.length === 0 ? null : (
		<ul className="bg-accent text-accent-content px-4 md:px-5 py-1.5 grid gap-1" aria-label="In progress">
			{shown.map((task) => (
				<li key={task.id} className="flex flex-wrap items-center gap-x-3">
					<span>{task.title}</span>
					{!task.stopped && (
						<progress
							className="progress progress-secondary w-40"
							aria-label={task.title}
							value={task.done}
							max={Math.max(1, task.total)}
						/>
					)}
					<span className="tabular-nums text-sm">
						{task.stopped
							? "The server was stopped meanwhile. Nothing was written; it begins again by itself."
							: task.state === "waiting"
								? "waiting"
								: `${task.done.toLocaleString()} of ${task.total.toLocaleString()}`}
					</span>
				</li>
			))}
		</ul>
	);
}
