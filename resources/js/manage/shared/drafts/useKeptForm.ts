import { useState } from "react";
import { ApiError } from "../api/api";
import type { FormDraft } from "../api/schema";
import { dropTyped } from "./onServer";
import { useFormDraft } from "./useFormDraft";

/** The saved state of a form on the server. */
export interface SavedForm<V> {
	values: V;
	revision: number;
	draft: FormDraft | null;
}

/**
 * The form of a type, a taxonomy or a term. Typed values are kept until they are saved or dropped, also after leaving
 * the form. A save carries the revision that the changes started from.
 *
 * @param name such as `term:12`
 * @param differs whether values differ from the saved ones
 */
export function useKeptForm<V extends object>(
	name: string,
	saved: SavedForm<V>,
	differs: (values: V) => boolean,
	read: (draft: Partial<V>) => Partial<V> = (draft) => draft,
) {
	const [values, setValues] = useState<V>(() => ({
		...saved.values,
		...(saved.draft ? read(saved.draft.values as Partial<V>) : {}),
	}));
	const [revision, setRevision] = useState(saved.draft?.revision ?? saved.revision);
	const [hadDraft, setHadDraft] = useState(saved.draft !== null);
	const [stale, setStale] = useState<number | null>(null);
	const place = { form: name };
	const changed = differs(values);
	const draft = useFormDraft(
		{ name: `form ${name}`, place, keptAt: saved.draft?.keptAt ?? null },
		revision,
		values,
		changed,
	);
	/** After a save: nothing of the draft is left. */
	const forget = async () => {
		draft.drop();
		setHadDraft(false);
		setStale(null);
		await dropTyped(place).catch(() => undefined);
	};
	return {
		values,
		set: (change: Partial<V>) => setValues((now) => ({ ...now, ...change })),
		revision,
		changed,
		draft,
		hadDraft: hadDraft && changed,
		keptAt: saved.draft?.keptAt ?? "",
		settled: draft.settled,
		forget,
		discard: async () => {
			await draft.settled();
			await forget();
			setValues(saved.values);
			setRevision(saved.revision);
		},
		bringBack: () => {
			if (draft.left) {
				const { state, revision: from } = draft.left;
				setValues((now) => ({ ...now, ...read(state) }));
				setRevision(from ?? revision);
				draft.dropLeft();
			}
		},
		/** Call this after a failed save. Returns true if someone else saved first. */
		failed: (error: Error): boolean => {
			draft.keep();
			const isStale = error instanceof ApiError && error.isStale && typeof error.body.revision === "number";
			setStale(isStale ? (error.body.revision as number) : null);
			return isStale;
		},
		/** The revision that someone else saved; null if nobody did. */
		stale,
		overwrite: (newest: number) => {
			setStale(null);
			setRevision(newest);
		},
	};
}

export type KeptForm<V extends object> = ReturnType<typeof useKeptForm<V>>;
