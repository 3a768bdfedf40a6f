import type { Look } from "../../shared/types";
import type { Bench } from "../useBench";

export interface EditorProps {
	bench: Bench;
	look: Look;
}
