import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { post } from "../shared/api/api";
import type { BenchPreview } from "../shared/api/schema";
import { Notice } from "../shared/Notice";
import { Sheet } from "../shared/Sheet";
import { Faults } from "./Faults";
import type { Bench } from "./useBench";

/** The whole module as text to copy, and as JSON to copy, change, check and apply. */
export function AsText({ bench, preview, onClose }: { bench: Bench; preview: BenchPreview; onClose: () => void }) {
	const [json, setJson] = useState(() => JSON.stringify(bench.definition, null, 2));
	const [copied, setCopied] = useState("");
	const copy = async (what: string, text: string) => {
		// Browsers allow writing to the clipboard only on https pages and on this machine.
		try {
			await navigator.clipboard.writeText(text);
			setCopied(`${what} is copied.`);
		} catch {
			setCopied("The browser does not let it be copied from here: mark it and press Ctrl C.");
		}
	};
	const check = useMutation({
		mutationFn: async () => {
			let definition: Record<string, unknown>;
			try {
				definition = JSON.parse(json);
			} catch (error) {
				throw new Error(`This is no JSON: ${error instanceof Error ? error.message : String(error)}`);
			}
			return post("/modules/check", { body: { definition } });
		},
	});
	const apply = async () => {
		const { definition } = await check.mutateAsync();
		if (definition.key !== bench.definition.key) {
			return;
		}
		bench.change(definition);
		onClose();
	};
	const otherKey = check.data && check.data.definition.key !== bench.definition.key;
	return (
		<Sheet title="As text" onClose={onClose} wide>
			<div className="grid gap-2">
				<pre className="whitespace-pre-wrap bg-base-200 rounded-box p-4 text-sm font-sans">{preview.asText}</pre>
				<button
					type="button"
					className="btn btn-sm justify-self-start"
					onClick={() => copy("The text", preview.asText)}
				>
					Copy the text
				</button>
			</div>
			<div className="grid gap-2">
				<label htmlFor="module-json" className="font-semibold">
					The definition, as files hold it
				</label>
				<textarea
					id="module-json"
					className="textarea w-full font-mono text-xs leading-snug h-72"
					spellCheck={false}
					value={json}
					onChange={(event) => {
						setJson(event.target.value);
						check.reset();
					}}
				/>
				<div className="flex flex-wrap gap-2">
					<button type="button" className="btn btn-sm" onClick={() => copy("The JSON", json)}>
						Copy the JSON
					</button>
					<button type="button" className="btn btn-sm" onClick={() => check.mutate()}>
						Check
					</button>
					<button type="button" className="btn btn-sm btn-primary" onClick={() => void apply().catch(() => {})}>
						Apply
					</button>
				</div>
				<p aria-live="polite">{check.data && !otherKey ? "It can be read, every rule of it." : copied}</p>
				{otherKey && <Notice>A module keeps its key: expected “{bench.definition.key}”.</Notice>}
				{check.error && <Faults error={check.error} />}
			</div>
		</Sheet>
	);
}
