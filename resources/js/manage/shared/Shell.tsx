import { ArrowUpRight } from "lucide-react";
import { Suspense } from "react";
import { NavLink, Outlet } from "react-router";
import { signOut } from "./api";
import { CommandBox } from "./CommandBox";
import { Opening } from "./Fault";
import { useStart } from "./start";
import { TaskBar } from "./TaskBar";
import { dropAllUnsent } from "./unsent";

async function leave() {
	await signOut();
	// What this browser kept of the work is nobody else's.
	sessionStorage.clear();
	dropAllUnsent();
	window.location.assign("/manage/sign-in");
}

function Mark() {
	return (
		<svg viewBox="0 0 24 24" className="size-6" aria-hidden="true" fill="none" strokeWidth="2.2" strokeLinecap="round">
			<path d="M4 6c3-2.6 5-2.6 8 0s5 2.6 8 0" stroke="#9fd0d2" />
			<path d="M6.5 12c2-1.8 3.5-1.8 5.500 0s3.500 1.800 5.500 0" stroke="#9fd0d2" />
			<path d="M9.500 18c1-.9 1.500-.9 2.500 0s1.500.9 2.500 0" stroke="#f0b184" />
		</svg>
	);
}

/** Address, word, and whether authors have it too. */
const SCREENS: [string, string, boolean][] = [
	["/modules", "Modules", false],
	["/pages", "Pages", false],
	["/content", "Content", true],
	["/types", "Types", false],
	["/terms", "Terms", false],
	["/files", "Files", true],
	["/people", "People", false],
	["/look", "Look", false],
	["/settings", "Settings", false],
];

export function Shell() {
	const start = useStart();
	return (
		<div className="min-h-screen flex flex-col">
			<a
				href="#screen"
				className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-base-100 focus:text-neutral focus:p-3"
			>
				Skip to the screen
			</a>
			<header className="topline bg-neutral text-neutral-content flex flex-wrap items-center gap-x-4 gap-y-1 px-4 md:px-5 py-1.5 md:py-0 md:h-12 shrink-0">
				<span className="flex items-center gap-2 font-serif text-xl font-semibold">
					<Mark /> Wellspring
				</span>
				<nav
					aria-label="Main"
					className="flex flex-wrap gap-x-3.5 xl:gap-x-4 max-sm:text-[0.9rem] order-last basis-full md:order-none md:basis-auto"
				>
					{(start.user.role === "manager" ? SCREENS : SCREENS.filter(([, , authors]) => authors)).map(([to, label]) => (
						<NavLink
							key={to}
							to={to}
							className={({ isActive }) =>
								`py-1 border-b-2 ${isActive ? "border-[#f0b184] font-semibold" : "border-transparent text-[#c6dadb] hover:text-white"}`
							}
						>
							{label}
						</NavLink>
					))}
				</nav>
				<span className="flex-1" />
				<CommandBox />
				<NavLink to="/account" className="text-[#c6dadb] hover:text-white py-1 truncate max-w-16 sm:max-w-none">
					{start.user.name}
				</NavLink>
				<button type="button" className="cursor-pointer text-[#c6dadb] hover:text-white py-1" onClick={leave}>
					Sign out
				</button>
				<a
					href="/"
					target="_blank"
					rel="noreferrer"
					className="flex items-center gap-1 py-1 hover:underline whitespace-nowrap"
				>
					<span className="max-sm:sr-only">Visit site</span>{" "}
					<ArrowUpRight className="size-5 sm:size-4" aria-hidden="true" />
					<span className="sr-only">(opens in a new tab)</span>
				</a>
			</header>
			{start.demoPassword && (
				<p role="alert" className="bg-warning text-warning-content px-4 md:px-5 py-1.5">
					An account of the demo still has its published password. Set another under People, or deactivate it.
				</p>
			)}
			<TaskBar />
			<main id="screen" className="flex-1 flex flex-col min-h-0">
				<Suspense fallback={<Opening queries={[]} />}>
					<Outlet />
				</Suspense>
			</main>
		</div>
	);
}
