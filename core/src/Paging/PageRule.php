<?php

declare(strict_types=1);

namespace Wellspring\Core\Paging;

/** How much shows at a time. */
final readonly class PageRule
{
    public const MAX_SIZE = 200;

    /** @param  positive-int  $size */
    public function __construct(public int $size = 10)
    {
    }

    /** @return array{mode: string, size: int} */
    public function toArray(): array
    {
        return ['mode' => 'numbered', 'size' => $this->size];
    }
}
