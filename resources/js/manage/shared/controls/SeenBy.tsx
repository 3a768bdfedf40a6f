import type { PreviewContext } from "../api/schema";
import { useStart } from "../api/start";
import { PickByTyping } from "../fields/PickByTyping";
import { toldApart } from "../toldApart";
import { Word } from "../Word";
import { fromZone, toZone } from "../zone";

const AS: Record<string, string> = { "signed-out": "anyone", members: "a member", everyone: "no one in particular" };

/** Chooses the viewer of a preview: signed out, a member, a member of groups, or a person by name. */
export function SeenBy({
	previewContext,
	set,
}: {
	previewContext: PreviewContext;
	set: (next: Partial<PreviewContext>) => void;
}) {
	const { audiences, people } = useStart();
	const [as = "", ...chosen] = (previewContext.as ?? "signed-out").split(",");
	const groups = audiences.filter((one) => one.key.startsWith("group:"));
	const person = people.find((one) => one.email === previewContext.person);
	const toggle = (key: string) => {
		const next = chosen.includes(key) ? chosen.filter((one) => one !== key) : [...chosen, key];
		set({ as: ["members", ...next].join(","), person: undefined });
	};
	const words = groups.filter((one) => chosen.includes(one.key)).map((one) => one.label);
	return (
		<Word
			placement="bottom end"
			words={person?.name ?? (words.length > 0 ? words.join(", ") : (AS[as] ?? "anyone"))}
			label="Seen by"
		>
			<fieldset className="grid gap-1.5">
				<legend className="text-xs text-quiet">Audience</legend>
				{Object.entries(AS).map(([key, words]) => (
					<label key={key} className="flex items-center gap-2">
						<input
							type="radio"
							name="audience"
							className="radio radio-sm"
							checked={as === key && !previewContext.person}
							onChange={() => set({ as: key, person: undefined })}
						/>
						{words}
					</label>
				))}
			</fieldset>
			{groups.length > 0 && (
				<fieldset className="grid gap-1.5 max-h-44 overflow-y-auto">
					<legend className="text-xs text-quiet">A member of</legend>
					{groups.map((one) => (
						<label key={one.key} className="flex items-center gap-2">
							<input
								type="checkbox"
								className="checkbox checkbox-sm"
								checked={chosen.includes(one.key) && !previewContext.person}
								onChange={() => toggle(one.key)}
							/>
							{one.label}
						</label>
					))}
				</fieldset>
			)}
			<PickByTyping
				label="Somebody who has signed in"
				placeholder="a member by name…"
				options={toldApart(
					people.map((one) => ({ key: one.email, label: one.name })),
					(email) => email,
				)}
				value={previewContext.person ?? null}
				onPick={(email) => set({ as: "members", person: email ?? undefined })}
			/>
		</Word>
	);
}

/** Chooses the date of a preview. */
export function OnDate({
	previewContext,
	set,
}: {
	previewContext: PreviewContext;
	set: (next: Partial<PreviewContext>) => void;
}) {
	const { site } = useStart();
	return (
		<Word
			placement="bottom end"
			words={
				previewContext.at
					? new Date(previewContext.at).toLocaleDateString(site.locale, {
							dateStyle: "medium",
							timeZone: site.timeZone,
						})
					: "today"
			}
			label="On which date"
		>
			<label className="grid gap-1.5">
				<span className="text-xs text-quiet">The page as it will be, or would have been</span>
				<input
					type="datetime-local"
					className="input input-sm"
					value={toZone(previewContext.at, site.timeZone)}
					onChange={(event) => set({ at: fromZone(event.target.value, site.timeZone) ?? "" })}
				/>
			</label>
			{previewContext.at && (
				<button type="button" className="plain-add justify-self-start" onClick={() => set({ at: "" })}>
					Back to today
				</button>
			)}
		</Word>
	);
}
