/** The first part of the query key of every preview. Every change that affects visitors invalidates all previews. */
export const PREVIEW = "preview";
