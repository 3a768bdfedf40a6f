import { useQuery } from "@tanstack/react-query";
import { createContext, useContext } from "react";
import { get } from "./api";
import type { ContentType, Field, Start } from "./schema";

export const StartContext = createContext<Start | null>(null);

export function useStartQuery() {
	return useQuery({
		queryKey: ["start"],
		queryFn: ({ signal }) => get("/start", { signal }),
		staleTime: 60_000,
	});
}

export function useStart(): Start {
	const start = useContext(StartContext);
	if (!start) {
		throw new Error("The screens stand inside StartContext.");
	}
	return start;
}

export function useType(key: string): ContentType {
	const type = useStart().types.find((one) => one.key === key);
	if (!type) {
		throw new Error(`There is no content type “${key}”.`);
	}
	return type;
}

export function fieldOf(type: Pick<ContentType, "fields">, key: string): Field | undefined {
	return type.fields.find((one) => one.key === key);
}

/** An instant in the site's form, in its time zone. */
export function moment(start: Start, instant: string, withTime = true): string {
	return new Intl.DateTimeFormat(start.site.locale, {
		dateStyle: "medium",
		...(withTime ? { timeStyle: "short" as const } : {}),
		timeZone: start.site.timeZone,
	}).format(new Date(instant));
}
