import { Check, ChevronDown, ChevronRight, GripVertical } from "lucide-react";
import type { ReactNode } from "react";
import { Button, Checkbox, TreeItem, TreeItemContent } from "react-aria-components";
import type { TermRow } from "../shared/api/schema";

type Where = "before" | "on" | "after";

/** One term in its tree, which can be opened, ticked, dragged, or moved by one step. */
export function TermLine({
	term,
	tree,
	before,
	after,
	isChosen,
	isTicked,
	onTick,
	onLand,
	children,
}: {
	term: TermRow;
	tree: boolean;
	/** its neighbours, if any */
	before: TermRow | undefined;
	after: TermRow | undefined;
	isChosen: boolean;
	isTicked: boolean;
	onTick: () => void;
	onLand: (target: number, where: Where) => void;
	children: ReactNode;
}) {
	const steps: [arrow: string, label: string, target: number | null | undefined, where: Where][] = [
		["↑", "up", before?.id, "before"],
		["↓", "down", after?.id, "after"],
	];
	if (tree) {
		steps.push(["←", "out by one", term.parent, "after"], ["→", "below the one before it", before?.id, "on"]);
	}
	return (
		<TreeItem
			id={term.id}
			textValue={term.name}
			className={`group outline-none cursor-pointer data-[focus-visible]:outline-2 data-[focus-visible]:outline-secondary
				data-[focus-visible]:-outline-offset-2 data-[dragging]:opacity-50 data-[drop-target]:outline-2
				data-[drop-target]:outline-secondary data-[drop-target]:-outline-offset-2
				${isChosen ? "bg-accent" : "hover:bg-base-200"}`}
		>
			<TreeItemContent>
				{({ level, hasChildItems, isExpanded, isHovered, isFocusVisible, isFocusVisibleWithin }) => (
					<div
						className="flex items-center gap-x-2 pr-3 h-[38px]"
						style={{ paddingLeft: `${0.5 + (level - 1) * 1.5}rem` }}
					>
						<Button
							slot="drag"
							className="cursor-grab text-quiet opacity-40 group-hover:opacity-100 data-[focus-visible]:opacity-100"
							aria-label={`Drag ${term.name}`}
						>
							<GripVertical className="size-4" aria-hidden="true" />
						</Button>
						{hasChildItems ? (
							<Button
								slot="chevron"
								className="w-6 text-quiet cursor-pointer"
								aria-label={`What is below ${term.name}`}
							>
								{isExpanded ? (
									<ChevronDown className="size-4" aria-hidden="true" />
								) : (
									<ChevronRight className="size-4" aria-hidden="true" />
								)}
							</Button>
						) : (
							<span className="w-6" />
						)}
						<Checkbox slot={null} isSelected={isTicked} onChange={onTick} aria-label={`Tick ${term.name}`}>
							<span
								className={`grid place-items-center size-4 rounded-selector border
									${isTicked ? "bg-primary border-primary text-primary-content" : "border-[#8d8878]"}`}
							>
								{isTicked && <Check className="size-3" aria-hidden="true" />}
							</span>
						</Checkbox>
						{term.colour && (
							<span aria-hidden="true" className="size-3 rounded-full shrink-0" style={{ background: term.colour }} />
						)}
						<span className="grow truncate" aria-current={isChosen ? "true" : undefined}>
							{term.name}
						</span>
						<span className="text-quiet text-sm shrink-0">{numbers(term)}</span>
						{(isChosen || isHovered || isFocusVisible || isFocusVisibleWithin) && (
							<span className="flex shrink-0">
								{steps.map(([arrow, label, target, where]) => (
									<Button
										key={arrow}
										className="btn btn-xs btn-ghost"
										isDisabled={target === null || target === undefined}
										aria-label={`Move ${term.name} ${label}`}
										onPress={() => target && onLand(target, where)}
									>
										{arrow}
									</Button>
								))}
							</span>
						)}
					</div>
				)}
			</TreeItemContent>
			{children}
		</TreeItem>
	);
}

function numbers(one: TermRow): string {
	return one.withBelow === one.items
		? one.items.toLocaleString()
		: `${one.items.toLocaleString()} · ${one.withBelow.toLocaleString()} with below`;
}
