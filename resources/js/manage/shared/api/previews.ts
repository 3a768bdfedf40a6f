/** The first part of the query key of every preview: whatever changes what visitors see makes all previews stale. */
export const PREVIEW = "preview";
