<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

/** The rule for a part that has nothing to show; the text is said with `say` only. */
final readonly class EmptyRule
{
    public function __construct(
        public EmptyAction $do = EmptyAction::LeaveOut,
        public string $text = '',
    ) {
    }

    /** @return array{do: string, text?: string} */
    public function toArray(): array
    {
        return ['do' => $this->do->value] + ($this->do === EmptyAction::Say ? ['text' => $this->text] : []);
    }
}
