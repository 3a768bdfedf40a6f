export type Role = "manager" | "author" | "member";

export interface Person {
	id: number;
	name: string;
	email: string;
	role: Role;
	active: boolean;
	invited: boolean;
	/** whether it still opens with the published password of the demo */
	demoPassword: boolean;
	groups: number[];
	items: number;
	signedInAt: string | null;
}

export interface Group {
	id: number;
	key: string;
	name: string;
	people: number;
}

export const ROLES: Record<Role, string> = {
	manager: "does everything",
	author: "writes items, and changes only their own",
	member: "reads what is for members",
};
