import type { Group, Rule } from "../../../shared/api/schema";
import { isGroup, type Join, joinOf, members, withJoin, withMembers } from "../../definition";
import type { Bench } from "../../useBench";
import { ConditionEditor } from "./ConditionEditor";
import { NewCondition } from "./NewCondition";

const WORDS: Record<Join, string> = {
	all: "all of these hold",
	any: "any of these holds",
	none: "none of these holds",
};

/** Conditions joined by all, any or none, with groups inside groups. */
export function GroupEditor({
	group,
	onChange,
	bench,
	before,
	tag,
	outermost = false,
}: {
	group: Group;
	onChange: (next: Group, tag?: string | null) => void;
	bench: Bench;
	before: string;
	tag: string;
	outermost?: boolean;
}) {
	const join = joinOf(group);
	const all = members(group);
	const set = (index: number, next: Rule, typing: string | null = null) =>
		onChange(
			withMembers(
				group,
				all.map((one, i) => (i === index ? next : one)),
			),
			typing,
		);

	return (
		<div className="grid gap-2.5">
			<select
				className="select select-sm w-auto justify-self-start"
				aria-label="How these join"
				value={join}
				onChange={(event) => onChange(withJoin(group, event.target.value as Join))}
			>
				{(Object.keys(WORDS) as Join[]).map((one) => (
					<option key={one} value={one}>
						{WORDS[one]}
					</option>
				))}
			</select>
			<ul className="grid gap-3 border-l-2 border-accent pl-3">
				{all.map((member, i) => (
					// biome-ignore lint/suspicious/noArrayIndexKey: a condition is known by its place
					<li key={i} className="grid gap-1.5" data-member={`.${join}[${i}]`}>
						{isGroup(member) ? (
							<GroupEditor
								group={member}
								onChange={(next, typing) => set(i, next, typing)}
								bench={bench}
								before={before}
								tag={`${tag}[${i}]`}
							/>
						) : (
							<ConditionEditor
								condition={member}
								onChange={(next, typing) => set(i, next, typing)}
								bench={bench}
								before={before}
								tag={`${tag}[${i}]`}
							/>
						)}
						{(all.length > 1 || outermost) && (
							<button
								type="button"
								className="plain-add justify-self-start text-xs"
								onClick={() =>
									onChange(
										withMembers(
											group,
											all.filter((_, other) => other !== i),
										),
									)
								}
							>
								Remove this one
							</button>
						)}
					</li>
				))}
			</ul>
			<div className="flex flex-wrap items-center gap-4 text-sm">
				<NewCondition
					bench={bench}
					before={before}
					label="Add a condition to this group"
					placeholder="+ a condition"
					className="w-44"
					onAdd={(condition) => onChange(withMembers(group, [...all, condition]))}
				/>
				<button
					type="button"
					className="plain-add"
					onClick={() => onChange(withMembers(group, [...all, { [join === "any" ? "all" : "any"]: [] }]))}
				>
					+ a group
				</button>
			</div>
		</div>
	);
}
