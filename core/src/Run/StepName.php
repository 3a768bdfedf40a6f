<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

/** The name of a counted step: `source`, `where.all[0]`, `where`, `choices`, `leaveOut`, `empty`, `total`. */
final readonly class StepName implements \Stringable
{
    /** @param  int|null  $index  of a member of the outermost group, if that is `all` */
    private function __construct(public StepKind $kind, public ?int $index = null)
    {
    }

    public static function of(StepKind $kind): self
    {
        return new self($kind);
    }

    public static function condition(int $index): self
    {
        return new self(StepKind::Where, $index);
    }

    /** True for the manager's conditions. */
    public function isWhere(): bool
    {
        return $this->kind === StepKind::Where;
    }

    public function __toString(): string
    {
        return $this->index === null ? $this->kind->value : "{$this->kind->value}.all[{$this->index}]";
    }
}
