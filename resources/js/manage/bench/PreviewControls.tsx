import { useState } from "react";
import type { PreviewContext } from "../shared/api/schema";
import { useStart } from "../shared/api/start";
import { OnDate, SeenBy } from "../shared/controls/SeenBy";
import { PickByTyping } from "../shared/fields/PickByTyping";
import { PickItem } from "../shared/fields/PickItem";
import { toldApart } from "../shared/toldApart";
import { Word } from "../shared/Word";
import type { Bench } from "./useBench";

/** The context of the preview: the viewer, the date, the page's record and the search words. */
export function PreviewControls({ bench }: { bench: Bench }) {
	const { previewContext, setPreviewContext } = bench;
	const set = (next: Partial<PreviewContext>) => {
		const all = { ...previewContext, ...next };
		setPreviewContext(
			Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined && value !== "")),
		);
	};
	return (
		<div className="flex flex-wrap items-center gap-x-1.5 text-sm">
			<span className="text-quiet">seen by</span>
			<SeenBy previewContext={previewContext} set={set} />
			<span className="text-quiet">on</span>
			<OnDate previewContext={previewContext} set={set} />
			<span className="text-quiet">on</span>
			<Word
				placement="bottom end"
				words={aboutWords(previewContext, bench.preview.data?.example ?? null)}
				label="On a page about"
			>
				<About bench={bench} set={set} />
			</Word>
			{Object.keys(previewContext.choices ?? {}).length > 0 && (
				<button type="button" className="plain-add" onClick={() => set({ choices: undefined })}>
					Choose nothing
				</button>
			)}
		</div>
	);
}

function aboutWords({ about, words }: PreviewContext, example: string | null): string {
	if (example !== null) {
		return `the page of ${example} (an example)`;
	}
	if (about?.term) {
		return `the page of ${about.term.split("/")[1]}`;
	}
	if (about?.item) {
		return "an item’s page";
	}
	return about?.month ? `the page of ${about.month}` : words ? `a search for “${words}”` : "a plain page";
}

/** The page's record, for rules that read it. */
function About({ bench, set }: { bench: Bench; set: (next: Partial<PreviewContext>) => void }) {
	const { types, taxonomies, people } = useStart();
	const { previewContext } = bench;
	const about = previewContext.about ?? {};
	const [type, setType] = useState(types[0]?.key ?? "");
	const put = (next: Partial<NonNullable<PreviewContext["about"]>>) => {
		const all = Object.fromEntries(
			Object.entries({ ...about, ...next }).filter(([, value]) => value !== undefined && value !== ""),
		);
		set({ about: Object.keys(all).length === 0 ? undefined : all });
	};
	return (
		<div className="grid gap-2.5">
			<p className="text-quiet text-xs">Rules that take a value from the page take it from this one here.</p>
			<div className="grid gap-1">
				<span className="text-xs text-quiet">A term</span>
				<PickByTyping
					label="A term"
					placeholder="none"
					options={taxonomies.flatMap((one) =>
						one.terms.map((term) => ({ key: `${one.key}/${term.slug}`, label: term.name, beside: one.label })),
					)}
					value={about.term ?? null}
					onPick={(term) => put({ term: term ?? "" })}
				/>
			</div>
			<div className="grid gap-1">
				<span className="text-xs text-quiet">An item</span>
				<div className="flex gap-2">
					<select
						className="select select-sm w-28"
						aria-label="Its type"
						value={type}
						onChange={(event) => setType(event.target.value)}
					>
						{types.map((one) => (
							<option key={one.key} value={one.key}>
								{one.label}
							</option>
						))}
					</select>
					<div className="grow min-w-0">
						<PickItem
							label="Find the item"
							type={type}
							value={about.item === undefined ? null : String(about.item)}
							keyOf={(item) => String(item.id)}
							onPick={(id) => put({ item: id === null ? undefined : Number(id) })}
						/>
					</div>
				</div>
			</div>
			<label className="grid gap-1">
				<span className="text-xs text-quiet">A month</span>
				<input
					type="month"
					className="input input-sm"
					value={about.month ?? ""}
					onChange={(event) => put({ month: event.target.value })}
				/>
			</label>
			<div className="grid gap-1">
				<span className="text-xs text-quiet">A person</span>
				<PickByTyping
					label="A person"
					placeholder="none"
					options={toldApart(
						people.map((one) => ({ key: one.email, label: one.name })),
						(email) => email,
					)}
					value={about.person ?? null}
					onPick={(email) => put({ person: email ?? "" })}
				/>
			</div>
			<label className="grid gap-1">
				<span className="text-xs text-quiet">Words a visitor looks for</span>
				<input
					type="search"
					className="input input-sm"
					value={previewContext.words ?? ""}
					onChange={(event) => set({ words: event.target.value })}
				/>
			</label>
		</div>
	);
}
