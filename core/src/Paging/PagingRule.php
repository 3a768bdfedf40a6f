<?php

declare(strict_types=1);

namespace Wellspring\Core\Paging;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

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

    public static function read(Shape $definition, Problems $problems): self
    {
        if (! $definition->has('page')) {
            return new self;
        }
        $page = new Shape($definition->raw('page'), 'page', $problems, ['mode', 'size']);
        $mode = PagingMode::from($page->oneOf('mode', array_column(PagingMode::cases(), 'value'), 'numbered'));
        $size = $page->whole('size', 10, 1, self::MAX_SIZE);
        $loads = $mode === PagingMode::Continuous ? $page->whole('loads', self::LOADS, 0, 100) : self::LOADS;
        $page->noOthers();

        return new self(max(1, $size), $mode, $loads);
    }

    /** @param  positive-int  $size */
    public function withSize(int $size): self
    {
        return new self($size, $this->mode, $this->loads);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['mode' => $this->mode->value, 'size' => $this->size] + (
            $this->mode === PagingMode::Continuous ? ['loads' => $this->loads] : []
        );
    }
}
