import { readdirSync } from "node:fs";
import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import laravel from "laravel-vite-plugin";
import { defineConfig } from "vite";

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
				"resources/js/site/choices.ts",
				"resources/js/site/film.ts",
				"resources/js/site/managerBar.ts",
				"resources/js/site/map.ts",
				"resources/js/site/masonry.ts",
				"resources/js/site/more.ts",
				"resources/js/site/printAll.ts",
				"resources/js/site/search.ts",
				"resources/js/site/slideshow.ts",
				"resources/js/site/ticker.ts",
				"resources/js/site/wall.ts",
			],
			refresh: false,
		}),
		react(),
		tailwindcss(),
	],
	build: { chunkSizeWarningLimit: 1200 },
});
