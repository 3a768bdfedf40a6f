import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, RouterProvider } from "react-router";
import { BenchScreen } from "./bench/BenchScreen";
import { ContentScreen } from "./content/ContentScreen";
import { ItemScreen } from "./content/ItemScreen";
import { ModulesScreen } from "./modules/ModulesScreen";
import { Notice } from "./shared/Notice";
import { Shell } from "./shared/Shell";
import { StartContext, useStartQuery } from "./shared/start";

const router = createBrowserRouter(
	[
		{
			element: <Shell />,
			children: [
				{ index: true, element: <Navigate to="/modules" replace /> },
				{ path: "modules", element: <ModulesScreen /> },
				{ path: "modules/:key", element: <BenchScreen /> },
				{ path: "content", element: <ContentScreen /> },
				{ path: "content/:type", element: <ContentScreen /> },
				{ path: "content/:type/new", element: <ItemScreen /> },
				{ path: "content/:type/:id", element: <ItemScreen /> },
				{ path: "*", element: <Navigate to="/modules" replace /> },
			],
		},
	],
	{ basename: "/manage" },
);

function App() {
	const start = useStartQuery();
	if (start.error) {
		return (
			<div className="p-8">
				<Notice>{start.error.message}</Notice>
			</div>
		);
	}
	return start.data ? (
		<StartContext value={start.data}>
			<RouterProvider router={router} />
		</StartContext>
	) : null;
}

const root = document.getElementById("manage");
if (root) {
	createRoot(root).render(
		<StrictMode>
			<QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: 1 } } })}>
				<App />
			</QueryClientProvider>
		</StrictMode>,
	);
}
