import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { ApiError, del, get, post, put } from "../../shared/api/api";
import type {
	ContentType,
	Field,
	Item,
	Linked,
	Media,
	NewItem,
	Problem,
	StaleItem,
	Values,
} from "../../shared/api/schema";
import { useDone } from "../../shared/Done";
import { useFormDraft } from "../../shared/drafts/useFormDraft";

/**
 * The screen beside an item's form: the label of the way back, and the action after a change.
 */
export interface Beside {
	words: string;
	onClose: () => void;
	onChanged: () => void;
}

export type ItemFormState = ReturnType<typeof useItemForm>;

/** The typed values of an item's form, with saving, removing and dropping. */
export function useItemForm(type: ContentType, item: Item | null, begun: NewItem | Item, beside: Beside | undefined) {
	const client = useQueryClient();
	const go = useNavigate();
	const done = useDone();
	const [saved, setSaved] = useState(item);
	// The revision that the typed values started from: a draft may be older than other people's saves.
	const [revision, setRevision] = useState(begun.draft?.revision ?? item?.revision ?? 0);
	const [values, setValues] = useState<Values>({ ...begun.values, ...(begun.draft?.values ?? {}) });
	const [files, setFiles] = useState<Record<string, Media>>(item?.files ?? {});
	const [titles, setTitles] = useState<Linked[]>(Object.values(item?.linked ?? {}).flat());
	const [problems, setProblems] = useState<Problem[]>([]);
	const [stale, setStale] = useState<{ about: StaleItem; now: Values } | null>(null);
	const [hadDraft, setHadDraft] = useState(begun.draft != null);
	const began = saved?.values ?? begun.values;
	const changed = JSON.stringify(plain(values)) !== JSON.stringify(plain(began));
	const form = useRef<HTMLFormElement>(null);
	const draft = useFormDraft(
		{
			name: `item ${type.key}/${saved?.id ?? "new"}`,
			place: { type: type.key, id: saved?.id ?? null },
			keptAt: saved?.draft?.keptAt ?? null,
		},
		saved ? revision : null,
		values,
		changed,
	);

	const take = (now: Item) => {
		draft.drop();
		setSaved({ ...now, draft: null });
		setRevision(now.revision);
		setValues(now.values);
		setFiles((all) => ({ ...all, ...now.files }));
		setTitles((all) => [...Object.values(now.linked).flat(), ...all]);
		setProblems([]);
		setStale(null);
		setHadDraft(false);
		for (const key of ["items", "shown", "views"]) {
			void client.invalidateQueries({ queryKey: [key] });
		}
		beside?.onChanged();
	};
	const save = useMutation({
		mutationFn: async ({ of, revision: over }: { of: Values; revision: number }) => {
			await draft.settled();
			const { created_at: _, updated_at: __, ...sent } = of;
			return saved
				? put("/items/{item}", { params: { path: { item: saved.id } }, body: { values: sent, revision: over } })
				: post("/items", { body: { type: type.key, values: sent } });
		},
		onSuccess: (now) => {
			take(now);
			if (!saved) {
				void go(`/content/${type.key}/${now.id}`, { replace: true });
			}
		},
		onError: async (error) => {
			draft.keep();
			if (error instanceof ApiError && error.isStale && saved) {
				const now = await get("/items/{item}", { params: { path: { item: saved.id } } });
				setStale({ about: error.body as unknown as StaleItem, now: now.values });
				return;
			}
			setProblems(error instanceof ApiError ? error.problems : []);
			setTimeout(() => {
				const wrong = form.current?.querySelector<HTMLElement>("[aria-invalid=true], [data-invalid=true]");
				wrong?.focus();
				wrong?.scrollIntoView({ block: "center" });
			});
		},
	});
	const remove = useMutation({
		mutationFn: async (item: Item) => {
			await draft.settled();
			return del("/items/{item}", { params: { path: { item: item.id } }, body: { revision: item.revision } });
		},
		onError: () => draft.keep(),
		onSuccess: ({ change }) => {
			draft.drop();
			void client.invalidateQueries({ queryKey: ["items"] });
			done(`“${saved?.title}” is removed.`, change);
			if (beside) {
				beside.onChanged();
				beside.onClose();
			} else {
				void go(`/content/${type.key}`);
			}
		},
	});
	const discard = useMutation({
		mutationFn: async () => {
			await draft.settled();
			return del("/items/draft", { body: { type: type.key, id: saved?.id ?? null } });
		},
		onError: () => draft.keep(),
		onSuccess: () => {
			draft.drop();
			setValues(began);
			setRevision(saved?.revision ?? 0);
			setHadDraft(false);
			setProblems([]);
			save.reset();
		},
	});
	const submit = (event?: FormEvent) => {
		event?.preventDefault();
		if (!save.isPending && (saved === null || changed)) {
			save.mutate({ of: values, revision });
		}
	};
	/** Saves the item as published, together with all other changes. */
	const publish = () => {
		if (!save.isPending) {
			const of = { ...values, status: "published" };
			setValues(of);
			save.mutate({ of, revision });
		}
	};
	// Ctrl+S saves this form, wherever the focus is.
	useEffect(() => {
		const onKey = (event: KeyboardEvent) => {
			if ((event.ctrlKey || event.metaKey) && event.key === "s") {
				event.preventDefault();
				form.current?.requestSubmit();
			}
		};
		window.addEventListener("keydown", onKey);
		return () => window.removeEventListener("keydown", onKey);
	}, []);
	const set = (key: string, value: unknown) => setValues((now) => ({ ...now, [key]: value }));
	const field = (key: string) => type.fields.find((one) => one.key === key) as Field;
	const props = (one: Field) => ({
		field: one,
		value: values[one.key],
		problem: problems.find((problem) => problem.path === one.key)?.message,
		onChange: (value: unknown) => set(one.key, value),
		files,
		linked: titles,
		onLinked: (items: Linked[]) => setTitles((all) => [...all, ...items]),
		onFiles: (taken: Media[]) =>
			setFiles((all) => ({ ...all, ...Object.fromEntries(taken.map((one) => [one.name, one])) })),
	});
	const bringBack = () => {
		setValues({ ...begun.values, ...draft.left?.state });
		setRevision(draft.left?.revision ?? revision);
		draft.dropLeft();
	};
	return {
		type,
		saved,
		values,
		set,
		field,
		props,
		problems,
		changed,
		draft,
		hadDraft,
		keptAt: begun.draft?.keptAt ?? "",
		bringBack,
		save,
		remove,
		discard,
		submit,
		publish,
		form,
		take,
		stale,
		setStale,
	};
}

/** The editable values in a fixed order, without empty ones. */
function plain(values: Values): [string, unknown][] {
	return Object.entries(values)
		.filter(
			([key, value]) =>
				!["created_at", "updated_at"].includes(key) &&
				value !== null &&
				value !== undefined &&
				!(key === "lead" && value === false) &&
				!(Array.isArray(value) && value.length === 0),
		)
		.sort(([a], [b]) => (a < b ? -1 : 1));
}
