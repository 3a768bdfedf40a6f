<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** What happens when a module has nothing to show: it says a text, or is left out, alone or with what it stands in. */
final readonly class WhenNothing
{
    public const TEXT = 'There is nothing to show here at the moment.';

    private const SILENT = [
        EmptyAction::LeaveOutModule, EmptyAction::LeaveOutSlot, EmptyAction::LeaveOutBand,
    ];

    /** @param  string  $text  what is said; kept for `say` alone */
    public function __construct(public string $text = self::TEXT, public EmptyAction $do = EmptyAction::Say)
    {
    }

    public static function read(Shape $definition, Problems $problems): self
    {
        if (! $definition->has('whenNothing')) {
            return new self;
        }
        $rule = new Shape($definition->raw('whenNothing'), 'whenNothing', $problems, ['do']);
        $actions = [EmptyAction::Say, ...self::SILENT];
        $do = EmptyAction::from($rule->oneOf('do', array_column($actions, 'value')));
        $text = $do === EmptyAction::Say ? $rule->text('text') : '';
        $rule->noOthers();

        return new self($text, $do);
    }

    /** @return array<string, mixed> JSON Schema (2020-12) */
    public static function schema(): array
    {
        return EmptyRule::schema([EmptyAction::Say, ...self::SILENT]);
    }

    /** What goes when nothing is left; null where it says something. */
    public function takes(): ?Level
    {
        return $this->do->level();
    }

    /** As the end of a sentence that begins with “When nothing is left”. */
    public function words(): string
    {
        return match ($this->do) {
            EmptyAction::LeaveOutSlot => 'leave its slot out',
            EmptyAction::LeaveOutBand => 'leave its band out',
            EmptyAction::Say => "say “{$this->text}”",
            default => 'leave the module out',
        };
    }

    /** @return array{do: string, text?: string} */
    public function toArray(): array
    {
        return ['do' => $this->do->value] + ($this->do === EmptyAction::Say ? ['text' => $this->text] : []);
    }
}
