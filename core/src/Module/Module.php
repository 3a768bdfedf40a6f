<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Card\Card;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Layout\Arrange;
use Wellspring\Core\Paging\PageRule;
use Wellspring\Core\Sort\SortKey;

/** The definition of one data-driven listing, read and found right by ModuleReader. */
final readonly class Module
{
    public const KEY = '/^[a-z0-9-]{1,64}$/D';

    /**
     * @param  Type  $source  the type whose items it draws from
     * @param  Group|null  $where  null where nothing is asked
     * @param  list<string>  $leaveOut  slugs
     * @param  list<string>  $pin  slugs, first to last
     * @param  non-empty-list<SortKey>  $order
     * @param  int<0, max>  $skip
     * @param  positive-int|null  $atMost
     */
    public function __construct(
        public string $key,
        public string $name,
        public Type $source,
        public ?Group $where,
        public array $leaveOut,
        public array $pin,
        public array $order,
        public int $skip,
        public ?int $atMost,
        public PageRule $page,
        public Arrange $arrange,
        public Card $card,
        public WhenNothing $whenNothing,
    ) {
    }

    /** @return array<string, mixed> as a file of format 1 holds it, every default said */
    public function toArray(): array
    {
        return ['format' => 1, 'key' => $this->key, 'name' => $this->name, 'source' => ['items' => [$this->source->key]]]
            + ($this->where === null ? [] : ['where' => $this->where->toArray()])
            + ($this->leaveOut === [] ? [] : ['leaveOut' => $this->leaveOut])
            + ($this->pin === [] ? [] : ['pin' => $this->pin])
            + ['order' => array_map(fn (SortKey $key): array => $key->toArray(), $this->order)]
            + ($this->skip === 0 ? [] : ['skip' => $this->skip])
            + ($this->atMost === null ? [] : ['atMost' => $this->atMost])
            + [
                'page' => $this->page->toArray(),
                'arrange' => $this->arrange->toArray(),
                'card' => $this->card->toArray(),
                'whenNothing' => $this->whenNothing->toArray(),
            ];
    }

    /** How many of `$listed` records show in all, once the first are skipped and the limit is kept. */
    public function total(int $listed): int
    {
        $left = max(0, $listed - $this->skip);

        return $this->atMost === null ? $left : min($left, $this->atMost);
    }
}
