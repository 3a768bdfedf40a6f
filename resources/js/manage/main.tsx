import { QueryClientProvider } from "@tanstack/react-query";
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
import { AuditScreen } from "./people/AuditScreen";
import { PeopleScreen } from "./people/PeopleScreen";
import { ApiError } from "./shared/api";
import { DoneProvider } from "./shared/Done";
import { Opening, ScreenFault } from "./shared/Fault";
import { makeQueryClient } from "./shared/queryClient";
import { Shell } from "./shared/Shell";
import { SignInAgain } from "./shared/SignInAgain";
import { StartContext, useStart, useStartQuery } from "./shared/start";
import { TermsScreen } from "./terms/TermsScreen";
import { TypeScreen } from "./types/TypeScreen";
import { TypesScreen } from "./types/TypesScreen";

const router = createBrowserRouter(
	[
		{
			element: <Shell />,
			children: [
				{
					errorElement: <ScreenFault />,
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
						{ path: "people/audit", element: <AuditScreen /> },
						{ path: "account", element: <AccountScreen /> },
						{ path: "*", element: <Navigate to="/" replace /> },
					],
				},
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
	return start.data ? (
		<StartContext value={start.data}>
			<DoneProvider>
				<RouterProvider router={router} />
				<SignInAgain email={start.data.user.email} />
			</DoneProvider>
		</StartContext>
	) : (
		<Opening queries={[start]} />
	);
}

/** What was refused stays refused; what failed by the way is asked for twice more. */
const client = makeQueryClient((fault) => fault instanceof ApiError && fault.isPassing);

const root = document.getElementById("manage");
if (root) {
	createRoot(root).render(
		<StrictMode>
			<QueryClientProvider client={client}>
				<App />
			</QueryClientProvider>
		</StrictMode>,
	);
}
