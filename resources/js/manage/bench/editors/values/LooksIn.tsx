import type { Condition, Field } from "../../../shared/api/schema";

const MOST = 10;

/** The texts that a search reads, with the weight of each for the order by relevance. */
export function LooksIn({
	field,
	condition,
	onPick,
}: {
	field: Field;
	condition: Condition;
	onPick: (next: Condition["in"]) => void;
}) {
	const chosen = condition.in ?? {};
	const toggle = (key: string) => {
		const { [key]: had, ...others } = chosen;
		const next = had === undefined ? { ...chosen, [key]: 1 } : others;
		onPick(Object.keys(next).length === 0 ? undefined : next);
	};
	return (
		<fieldset className="grid gap-1.5">
			<legend className="text-xs text-quiet mb-1">looks in</legend>
			<span className="flex flex-wrap gap-1.5">
				<button
					type="button"
					className="chip"
					aria-pressed={condition.in === undefined}
					onClick={() => onPick(undefined)}
				>
					All texts and terms
				</button>
				{field.choices.map((choice) => (
					<button
						key={choice.key}
						type="button"
						className="chip"
						aria-pressed={choice.key in chosen}
						onClick={() => toggle(choice.key)}
					>
						{choice.label}
					</button>
				))}
			</span>
			{condition.in === undefined ? (
				<p className="text-quiet text-xs">
					A word counts most in the title, then in a short text or a term’s name, then in a long text.
				</p>
			) : (
				<span className="flex flex-wrap gap-x-4 gap-y-1.5 text-sm">
					{field.choices
						.filter((choice) => choice.key in chosen)
						.map((choice) => (
							<label key={choice.key} className="flex items-center gap-1.5">
								{choice.label} counts
								<select
									className="select select-xs w-16"
									value={chosen[choice.key]}
									onChange={(event) => onPick({ ...chosen, [choice.key]: Number(event.target.value) })}
								>
									{Array.from({ length: MOST }, (_, i) => i + 1).map((weight) => (
										<option key={weight}>{weight}</option>
									))}
								</select>
							</label>
						))}
				</span>
			)}
		</fieldset>
	);
}
