<?php

declare(strict_types=1);

namespace Wellspring\Core\Paging;

/** How much shows at a time, and how a visitor gets to the rest. */
final readonly class PagingRule
{
    public const MAX_SIZE = 200;

    public const LOADS = 3;

    /**
     * @param  positive-int  $size
     * @param  int  $loads  how often continuous loading goes on by itself before it becomes a button
     */
    public function __construct(
        public int $size = 10,
        public PagingMode $mode = PagingMode::Numbered,
        public int $loads = self::LOADS,
    ) {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['mode' => $this->mode->value, 'size' => $this->size] + (
            $this->mode === PagingMode::Continuous ? ['loads' => $this->loads] : []
        );
    }
}
