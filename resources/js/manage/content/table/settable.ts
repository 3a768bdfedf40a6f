import type { ContentType, Field } from "../../shared/api/schema";

/** The fields of every item, and those that can be set for many items at once. */
const OF_EVERY_ITEM = ["lead", "publish_at", "expire_at", "audience", "author"];

const FAMILIES: Field["family"][] = ["text", "number", "yesNo", "choice", "choices", "date", "instant", "person"];

/** The fields that can be set for many items at once; only managers change the author. */
export function settable(type: ContentType, isManager: boolean): Field[] {
	return type.fields.filter((one) =>
		one.origin === "item"
			? OF_EVERY_ITEM.includes(one.key) && (isManager || one.key !== "author")
			: one.origin === "type" && !one.key.includes(".") && FAMILIES.includes(one.family),
	);
}
