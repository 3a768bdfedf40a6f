<?php

declare(strict_types=1);

namespace Wellspring\Core\Paging;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/** How many records show at a time, and how visitors get to the rest. */
final readonly class PagingRule
{
    public const MAX_SIZE = 200;

    public const LOADS = 3;

    public const MAX_COUNT = Format::LONGEST_PATTERN;

    /**
     * @param  positive-int  $size
     * @param  int  $loads  the number of pages that load by themselves before a button follows
     * @param  string  $count  the ICU pattern of the text above the records; empty: no text of its own
     */
    public function __construct(
        public int $size = 10,
        public PagingMode $mode = PagingMode::Numbered,
        public int $loads = self::LOADS,
        public string $count = '',
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
        $count = $page->text('count', '');
        if ($count !== '' && ! Format::saysPlaces($count)) {
            $page->wrong('count', 'a pattern of ICU’s MessageFormat of at most '.self::MAX_COUNT
                .' characters that names none but from, to, total, page and pages', $count);
        }
        $page->noOthers();

        return new self(max(1, $size), $mode, $loads, $count);
    }

    /** @param  positive-int  $size */
    public function withSize(int $size): self
    {
        return new self($size, $this->mode, $this->loads, $this->count);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['mode' => $this->mode->value, 'size' => $this->size] + (
            $this->mode === PagingMode::Continuous ? ['loads' => $this->loads] : []
        ) + ($this->count === '' ? [] : ['count' => $this->count]);
    }
}
