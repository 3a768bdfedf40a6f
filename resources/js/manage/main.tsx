import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, RouterProvider } from "react-router";
import { BenchScreen } from "./bench/BenchScreen";
import { ByHandScreen } from "./content/ByHandScreen";
import { ContentScreen } from "./content/ContentScreen";
import { ImportScreen } from "./content/ImportScreen";
import { ItemScreen } from "./content/ItemScreen";
import { FilesScreen } from "./files/FilesScreen";
import { ModulesScreen } from "./modules/ModulesScreen";
import { AccountScreen } from "./people/AccountScreen";
import { PeopleScreen } from "./people/PeopleScreen";
import { DoneProvider } from "./shared/Done";
import { Notice } from "./shared/Notice";
import { Shell } from "./shared/Shell";
import { StartContext, useStart, useStartQuery } from "./shared/start";
import { TermsScreen } from "./terms/TermsScreen";
import { TypeScreen } from "./types/TypeScreen";
import { TypesScreen } from "./types/TypesScreen";

const router = createBrowserRouter(
	[
		{
			element: <Shell />,
			children: [
				{ index: true, element: <Home /> },
				{ path: "modules", element: <ModulesScreen /> },
				{ path: "modules/:key", element: <BenchScreen /> },
				{ path: "content", element: <ContentScreen /> },
				{ path: "content/:type", element: <ContentScreen /> },
				{ path: "content/:type/new", element: <ItemScreen /> },
				{ path: "content/:type/by-hand", element: <ByHandScreen /> },
				{ path: "content/:type/import", element: <ImportScreen /> },
				{ path: "content/:type/:id", element: <ItemScreen /> },
				{ path: "types", element: <TypesScreen /> },
				{ path: "types/:key", element: <TypeScreen /> },
				{ path: "terms", element: <TermsScreen /> },
				{ path: "terms/:taxonomy", element: <TermsScreen /> },
				{ path: "files", element: <FilesScreen /> },
				{ path: "people", element: <PeopleScreen /> },
				{ path: "account", element: <AccountScreen /> },
				{ path: "*", element: <Navigate to="/" replace /> },
			],
		},
	],
	{ basename: "/manage" },
);

function Home() {
	return <Navigate to={useStart().user.role === "manager" ? "/modules" : "/content"} replace />;
}

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
			<DoneProvider>
				<RouterProvider router={router} />
			</DoneProvider>
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
