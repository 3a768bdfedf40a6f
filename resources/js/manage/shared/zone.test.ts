import { expect, test } from "vitest";
import { fromZone, toZone } from "./zone";

// Clock changes of the IANA time zones (2026: Europe/London 29 March and 25 October; Australia/Lord_Howe half an hour).
test("moments are entered by the site's clock, whatever the computer's", () => {
	expect(toZone("2026-05-01T17:30:00Z", "Europe/London")).toBe("2026-05-01T18:30");
	expect(fromZone("2026-05-01T18:30", "Europe/London")).toBe("2026-05-01T17:30:00Z");
	expect(fromZone("2026-01-01T00:00", "America/St_Johns")).toBe("2026-01-01T03:30:00Z");
	expect(fromZone("2026-10-25T01:30", "Europe/London")).toBe("2026-10-25T00:30:00Z");
	expect(fromZone("2026-03-29T01:30", "Europe/London")).toBe("2026-03-29T01:30:00Z");
	expect(fromZone("", "Europe/London")).toBeNull();
	expect(toZone(null, "Europe/London")).toBe("");
	for (const zone of ["Europe/London", "America/St_Johns", "Australia/Lord_Howe", "Asia/Kathmandu"]) {
		for (let day = 0; day < 365; day += 5) {
			const local = `${new Date(Date.UTC(2026, 0, 1 + day)).toISOString().slice(0, 10)}T14:45`;
			expect(toZone(fromZone(local, zone), zone)).toBe(local);
		}
	}
});
