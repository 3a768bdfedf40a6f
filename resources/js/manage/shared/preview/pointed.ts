/** What of the page is pointed at: the `data-block` of an element, and where the pointing was done. */
export interface Pointed {
	block: string;
	by: "page" | "plan";
}
