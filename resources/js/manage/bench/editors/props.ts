import type { Look } from "../../shared/schema";
import type { Bench } from "../useBench";

export interface EditorProps {
	bench: Bench;
	look: Look;
}
