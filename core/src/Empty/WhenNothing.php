<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

/** What a module says when it has nothing to show. */
final readonly class WhenNothing
{
    public const TEXT = 'There is nothing to show here at the moment.';

    public function __construct(public string $text = self::TEXT)
    {
    }

    /** @return array{do: string, text: string} */
    public function toArray(): array
    {
        return ['do' => 'say', 'text' => $this->text];
    }
}
