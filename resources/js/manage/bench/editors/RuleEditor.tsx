import type { ReactNode } from "react";
import type { Group, Rule } from "../../shared/api/schema";
import { isGroup, joinOf, members, at as read, withMembers, withWhere } from "../definition";
import { useOffering } from "../useOffering";
import { ArrangeEditor } from "./ArrangeEditor";
import { ByHandEditor } from "./ByHandEditor";
import { CardEditor } from "./CardEditor";
import { ConditionEditor } from "./conditions/ConditionEditor";
import { GroupEditor } from "./conditions/GroupEditor";
import { DepartureEditor } from "./DepartureEditor";
import { EmptyEditor } from "./EmptyEditor";
import { HeadingsEditor } from "./HeadingsEditor";
import { OrderEditor } from "./OrderEditor";
import { OfferEditor } from "./offer/OfferEditor";
import { PageEditor } from "./PageEditor";
import type { EditorProps } from "./props";
import { SourceEditor } from "./sources/SourceEditor";
import { WhenNothingEditor } from "./WhenNothingEditor";

/** The controls of one rule, which open below its sentence. */
export function RuleEditor({
	rule,
	at,
	bench,
	preview,
	onClose,
	onMove,
}: EditorProps & { rule: string; at: string; onClose: () => void; onMove: (from: number, to: number) => void }) {
	const withOffering = (editor: ReactNode) => (
		<div className="grid gap-3">
			{editor}
			<LetVisitorsChoose rule={rule} bench={bench} preview={preview} />
		</div>
	);
	switch (rule) {
		case "source":
			return <SourceEditor bench={bench} preview={preview} />;
		case "byHand":
			return <ByHandEditor bench={bench} />;
		case "order":
			return withOffering(<OrderEditor bench={bench} />);
		case "headings":
			return <HeadingsEditor bench={bench} onClose={onClose} />;
		case "page":
			return withOffering(<PageEditor bench={bench} preview={preview} />);
		case "arrange":
			return <ArrangeEditor bench={bench} preview={preview} />;
		case "card":
			return <CardEditor bench={bench} preview={preview} at={at} />;
		case "empty":
			return <EmptyEditor bench={bench} preview={preview} />;
		case "offer":
			return <OfferEditor bench={bench} preview={preview} at={at} />;
		case "look":
			return <DepartureEditor bench={bench} />;
		case "whenNothing":
			return <WhenNothingEditor bench={bench} />;
		default:
			return <WhereEditor rule={rule} bench={bench} preview={preview} onClose={onClose} onMove={onMove} />;
	}
}

/** A button turns the rule into a choice for visitors. */
function LetVisitorsChoose({ rule, bench, preview }: EditorProps & { rule: string }) {
	const { turn } = useOffering(bench);
	return preview.sentences.find((one) => one.rule === rule)?.canBeOffered ? (
		<button type="button" className="plain-add justify-self-start text-sm" onClick={() => turn(rule)}>
			Let visitors choose
		</button>
	) : null;
}

function WhereEditor({
	rule,
	bench,
	preview,
	onClose,
	onMove,
}: EditorProps & { rule: string; onClose: () => void; onMove: (from: number, to: number) => void }) {
	const { definition, change } = bench;
	const where: Group = definition.where ?? { all: [] };
	if (rule === "where") {
		return (
			<GroupEditor
				group={where}
				onChange={(next, tag) => change(withWhere(definition, next), tag)}
				bench={bench}
				before="where"
				tag="where"
				outermost
			/>
		);
	}
	const index = Number(/\[(\d+)\]$/.exec(rule)?.[1] ?? 0);
	const part = read<Rule | undefined>(definition, rule);
	if (!part) {
		return null;
	}
	const all = members(where);
	const set = (next: Rule, tag: string | null = null) =>
		change(
			withWhere(
				definition,
				withMembers(
					where,
					all.map((one, i) => (i === index ? next : one)),
				),
			),
			tag,
		);
	const remove = () => {
		onClose();
		change(
			withWhere(
				definition,
				withMembers(
					where,
					all.filter((_, i) => i !== index),
				),
			),
		);
	};
	const { off, ...on } = part;
	return (
		<div className="grid gap-3">
			{isGroup(part) ? (
				<GroupEditor group={part} onChange={set} bench={bench} before={rule} tag={rule} />
			) : (
				<ConditionEditor condition={part} onChange={set} bench={bench} before={rule} tag={rule} />
			)}
			<div className="flex flex-wrap gap-x-3 gap-y-1 text-sm">
				{!isGroup(part) && joinOf(where) === "all" && (
					<button type="button" className="plain-add" onClick={() => set({ any: [on as Rule] })}>
						or…
					</button>
				)}
				<button type="button" className="plain-add" onClick={() => set((off ? on : { ...part, off: true }) as Rule)}>
					{off ? "Switch on" : "Switch off"}
				</button>
				<button type="button" className="plain-add" onClick={remove}>
					Remove
				</button>
				{joinOf(where) === "all" && all.length > 1 && (
					<>
						<button
							type="button"
							className="plain-add disabled:opacity-50"
							disabled={index === 0}
							onClick={() => onMove(index, index - 1)}
						>
							Move up
						</button>
						<button
							type="button"
							className="plain-add disabled:opacity-50"
							disabled={index === all.length - 1}
							onClick={() => onMove(index, index + 1)}
						>
							Move down
						</button>
					</>
				)}
				<LetVisitorsChoose rule={rule} bench={bench} preview={preview} />
				<button type="button" className="plain-add ml-auto" onClick={onClose}>
					Done
				</button>
			</div>
		</div>
	);
}
