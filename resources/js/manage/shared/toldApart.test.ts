import { expect, test } from "vitest";
import type { ModuleSummary } from "./api/schema";
import { moduleOptions, toldApart } from "./toldApart";

const module = (key: string, name: string, ...places: string[]) =>
	({ key, name, places: places.map((words) => ({ words })) }) as unknown as ModuleSummary;

test("modules of one name are told apart by where they stand, and by their keys where they stand alike", () => {
	expect(
		moduleOptions([
			module("journal", "From the journal", "on Journal"),
			module("journal-2", "From the journal", "on Home"),
			module("journal-3", "From the journal", "on Home"),
			module("plants", "Plants"),
		]).map((one) => one.beside),
	).toEqual(["on Journal", "on Home · journal-2", "on Home · journal-3", "on no page"]);
});

test("only options of the same name say more", () => {
	const options = [
		{ key: "fern", label: "Fern" },
		{ key: "fern-2", label: "Fern" },
		{ key: "oak", label: "Oak" },
	];
	expect(toldApart(options, (key) => key).map((one) => one.beside)).toEqual(["fern", "fern-2", undefined]);
});
