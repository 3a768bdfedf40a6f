// Reads design tokens from the standard input with @terrazzo/parser, which knows the format of the W3C's community
// group, and writes the type and the value of each by its name. It throws where they are none.
import { readFileSync } from "node:fs";
import { defineConfig, parse } from "@terrazzo/parser";

const folder = new URL("./", import.meta.url);
const { tokens } = await parse([{ filename: new URL("look.tokens.json", folder), src: readFileSync(0, "utf8") }], {
	config: defineConfig({}, { cwd: folder }),
});
const read = Object.entries(tokens).map(([name, { $type, $value }]) => [name, { type: $type, value: $value }]);
process.stdout.write(JSON.stringify(Object.fromEntries(read)));
