import type { BenchPreview } from "../../shared/api/schema";
import type { Bench } from "../useBench";

export interface EditorProps {
	bench: Bench;
	preview: BenchPreview;
}
