import type { Look } from "../../shared/api/schema";
import type { Bench } from "../useBench";

export interface EditorProps {
	bench: Bench;
	look: Look;
}
