/** The block under the pointer: the `data-block` of an element, and the position of the pointer. */
export interface Pointed {
	block: string;
	by: "page" | "plan";
}
