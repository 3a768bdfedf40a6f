import { QueryClientProvider } from "@tanstack/react-query";
import { lazy, StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, Navigate, RouterProvider } from "react-router";
import { ApiError } from "./shared/api/api";
import { makeQueryClient } from "./shared/api/queryClient";
import { StartContext, useStart, useStartQuery } from "./shared/api/start";
import { DoneProvider } from "./shared/Done";
import { Opening, ScreenFault } from "./shared/Fault";
import { NotFound } from "./shared/shell/NotFound";
import { Shell } from "./shared/shell/Shell";
import { SignInAgain } from "./shared/shell/SignInAgain";

const BenchScreen = lazy(() => import("./bench/BenchScreen").then((screen) => ({ default: screen.BenchScreen })));
const ByHandScreen = lazy(() => import("./content/ByHandScreen").then((screen) => ({ default: screen.ByHandScreen })));
const ContentScreen = lazy(() =>
	import("./content/ContentScreen").then((screen) => ({ default: screen.ContentScreen })),
);
const ImportScreen = lazy(() => import("./content/ImportScreen").then((screen) => ({ default: screen.ImportScreen })));
const ItemScreen = lazy(() => import("./content/item/ItemScreen").then((screen) => ({ default: screen.ItemScreen })));
const FilesScreen = lazy(() => import("./files/FilesScreen").then((screen) => ({ default: screen.FilesScreen })));
const LookScreen = lazy(() => import("./look/LookScreen").then((screen) => ({ default: screen.LookScreen })));
const ModulesScreen = lazy(() =>
	import("./modules/ModulesScreen").then((screen) => ({ default: screen.ModulesScreen })),
);
const PagesScreen = lazy(() => import("./pages/PagesScreen").then((screen) => ({ default: screen.PagesScreen })));
const AccountScreen = lazy(() =>
	import("./people/AccountScreen").then((screen) => ({ default: screen.AccountScreen })),
);
const AuditScreen = lazy(() => import("./people/AuditScreen").then((screen) => ({ default: screen.AuditScreen })));
const PeopleScreen = lazy(() => import("./people/PeopleScreen").then((screen) => ({ default: screen.PeopleScreen })));
const SettingsScreen = lazy(() =>
	import("./settings/SettingsScreen").then((screen) => ({ default: screen.SettingsScreen })),
);
const TermsScreen = lazy(() => import("./terms/TermsScreen").then((screen) => ({ default: screen.TermsScreen })));
const TypeScreen = lazy(() => import("./types/TypeScreen").then((screen) => ({ default: screen.TypeScreen })));
const TypesScreen = lazy(() => import("./types/TypesScreen").then((screen) => ({ default: screen.TypesScreen })));

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
						{ path: "pages", element: <PagesScreen /> },
						{ path: "pages/:key", element: <PagesScreen /> },
						{ path: "pages/_frame", element: <PagesScreen around="frame" /> },
						{ path: "pages/_menus/:key", element: <PagesScreen around="menu" /> },
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
						{ path: "look", element: <LookScreen /> },
						{ path: "look/:key", element: <LookScreen /> },
						{ path: "settings", element: <SettingsScreen /> },
						{ path: "account", element: <AccountScreen /> },
						{ path: "*", element: <NotFound /> },
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

/** Refused requests are not repeated; passing failures are tried twice more. */
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
