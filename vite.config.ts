import { readdirSync } from "node:fs";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import laravel from "laravel-vite-plugin";
import { defineConfig } from "vite";

// Each script of the visitors’ pages; what several of them use is in folders below.
const scripts = readdirSync("resources/js/site")
	.filter((file) => file.endsWith(".ts"))
	.map((file) => `resources/js/site/${file}`);

export default defineConfig({
	plugins: [
		laravel({
			input: [
				"resources/css/error.css",
				"resources/css/site.css",
				...readdirSync("resources/fonts").map((file) => `resources/fonts/${file}`),
				"resources/css/manage.css",
				"resources/css/manager-bar.css",
				"resources/js/manage/main.tsx",
				...scripts,
			],
			refresh: false,
		}),
		react(),
		tailwindcss(),
	],
	build: { chunkSizeWarningLimit: 1200 },
});
