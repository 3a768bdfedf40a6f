import { defineConfig } from "vitest/config";

// Without the application's plugins: these tests need no server and no build.
export default defineConfig({
	test: {
		testTimeout: 30_000,
		include: ["resources/js/**/*.test.{ts,tsx}"],
	},
});
