<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The rule for a part that has nothing to show; the text is said with `say` only. */
final readonly class EmptyRule
{
    public function __construct(
        public EmptyAction $do = EmptyAction::LeaveOut,
        public string $text = '',
    ) {
    }

    /**
     * The rule of a part, under `empty`; leaving the part out where nothing is said.
     *
     * @param  non-empty-list<EmptyAction>  $actions  those that it may have
     */
    public static function read(Shape $part, Problems $problems, array $actions): self
    {
        if (! $part->has('empty')) {
            return new self;
        }
        $rule = new Shape($part->raw('empty'), $part->at('empty'), $problems, ['do']);
        $do = EmptyAction::from($rule->oneOf('do', array_column($actions, 'value')));
        $text = $do === EmptyAction::Say ? $rule->text('text') : '';
        $rule->noOthers();

        return new self($do, $text);
    }

    /** What happens then: “left out”. */
    public function words(): string
    {
        return match ($this->do) {
            EmptyAction::LeaveOut => 'left out',
            EmptyAction::LeaveOutLine => 'its line left out',
            EmptyAction::LeaveOutModule => 'its block left out',
            EmptyAction::LeaveOutSlot => 'its slot left out',
            EmptyAction::LeaveOutBand => 'its band left out',
            EmptyAction::Say => "says “{$this->text}”",
        };
    }

    /**
     * @param  non-empty-list<EmptyAction>  $actions
     * @return array<string, mixed> JSON Schema (2020-12)
     */
    public static function schema(array $actions): array
    {
        $silent = array_filter($actions, fn (EmptyAction $action): bool => $action !== EmptyAction::Say);
        $object = fn (array $do, array $more): array => [
            'type' => 'object',
            'required' => ['do', ...array_keys($more)],
            'additionalProperties' => false,
            'properties' => ['do' => $do] + $more,
        ];

        return ['oneOf' => [
            $object(['enum' => array_column($silent, 'value')], []),
            $object(['const' => EmptyAction::Say->value], ['text' => ['type' => 'string', 'minLength' => 1]]),
        ]];
    }

    /** @return array{do: string, text?: string} */
    public function toArray(): array
    {
        return ['do' => $this->do->value] + ($this->do === EmptyAction::Say ? ['text' => $this->text] : []);
    }
}
