import { ArrowUpRight, Menu } from "lucide-react";
import { Suspense } from "react";
import { Button, Dialog, DialogTrigger, Popover } from "react-aria-components";
import { NavLink, Outlet } from "react-router";
import { signOut } from "../api/session";
import { useStart } from "../api/start";
import { dropAllUnsent } from "../drafts/unsent";
import { Opening } from "../Fault";
import { CommandBox } from "./CommandBox";
import { TaskBar } from "./TaskBar";

async function leave() {
	await signOut();
	// Data in this browser must not be visible to the next person.
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

/** Address, label, and whether authors see it. */
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

const OTHER_SCREEN = "border-transparent text-[#c6dadb] hover:text-white";

/** The links of the main navigation; on a narrow screen they are in a menu. */
function Screens({ role, onGo, className }: { role: string; onGo?: () => void; className: string }) {
	return (
		<nav aria-label="Main" className={className}>
			{(role === "manager" ? SCREENS : SCREENS.filter(([, , authors]) => authors)).map(([to, label]) => (
				<NavLink
					key={to}
					to={to}
					onClick={onGo}
					className={({ isActive }) => `py-1 border-b-2 ${isActive ? "border-[#f0b184] font-semibold" : OTHER_SCREEN}`}
				>
					{label}
				</NavLink>
			))}
		</nav>
	);
}

function VisitSite() {
	return (
		<a
			href="/"
			target="_blank"
			rel="noreferrer"
			className="flex items-center gap-1 py-1 hover:underline whitespace-nowrap"
		>
			Visit site <ArrowUpRight className="size-4" aria-hidden="true" />
			<span className="sr-only">(opens in a new tab)</span>
		</a>
	);
}

function SignOut() {
	return (
		<button type="button" className="cursor-pointer text-left text-[#c6dadb] hover:text-white py-1" onClick={leave}>
			Sign out
		</button>
	);
}

/** On a narrow screen: the entries of the top line that do not fit. */
function NarrowMenu() {
	const { user } = useStart();
	return (
		<DialogTrigger>
			<Button className="wide:hidden flex items-center gap-1.5 min-h-9 px-2 -mr-2 cursor-pointer rounded-field">
				<Menu className="size-5" aria-hidden="true" /> Menu
			</Button>
			<Popover
				placement="bottom end"
				offset={0}
				className="wide:hidden bg-neutral text-neutral-content shadow-lg w-screen max-w-sm max-h-[85vh] overflow-y-auto"
			>
				<Dialog aria-label="Menu" className="outline-none p-4 grid gap-3 text-lg">
					{({ close }) => (
						<>
							<Screens role={user.role} onGo={close} className="grid grid-cols-2 gap-x-6 gap-y-1.5" />
							<div className="grid grid-cols-2 gap-x-6 gap-y-1.5 border-t border-white/20 pt-3">
								<NavLink to="/account" onClick={close} className="text-[#c6dadb] hover:text-white py-1">
									{user.name}
								</NavLink>
								<SignOut />
								<VisitSite />
							</div>
						</>
					)}
				</Dialog>
			</Popover>
		</DialogTrigger>
	);
}

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
			<header className="topline bg-neutral text-neutral-content flex items-center gap-x-4 px-4 md:px-5 h-12 shrink-0">
				<span className="flex items-center gap-2 font-serif text-xl font-semibold">
					<Mark /> Wellspring
				</span>
				<Screens role={start.user.role} className="hidden wide:flex gap-x-3.5 xl:gap-x-4" />
				<span className="flex-1" />
				<CommandBox />
				<NavLink to="/account" className="hidden wide:block text-[#c6dadb] hover:text-white py-1 truncate max-w-40">
					{start.user.name}
				</NavLink>
				<span className="hidden wide:block whitespace-nowrap">
					<SignOut />
				</span>
				<span className="hidden wide:block">
					<VisitSite />
				</span>
				<NarrowMenu />
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
