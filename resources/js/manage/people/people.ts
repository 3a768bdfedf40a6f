import type { Person } from "../shared/api/schema";
export type Role = Person["role"];

export const ROLES: Record<Role, string> = {
	manager: "does everything",
	author: "writes items, and changes only their own",
	member: "reads what is for members",
};
