import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import laravel from "laravel-vite-plugin";
import { defineConfig } from "vite";

export default defineConfig({
	plugins: [
		laravel({
			input: [
				"resources/css/site.css",
				"resources/css/manage.css",
				"resources/js/manage/main.tsx",
				"resources/js/site/main.ts",
			],
			refresh: false,
		}),
		react(),
		tailwindcss(),
	],
	build: { chunkSizeWarningLimit: 1200 },
});
