<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\RefersTo;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/** The manager's own order, within the type or within one term. Records never placed come after, newest first. */
final readonly class ManualOrder implements Criterion, RefersTo
{
    /** @param  array{taxonomy: string, slug: string, name: string}|null  $term */
    public function __construct(public ?array $term = null)
    {
    }

    public function key(): string
    {
        return 'byHand';
    }

    public function family(): Family
    {
        return Family::Number;
    }

    public function goesUp(): bool
    {
        return true;
    }

    public function values(SortContext $ordering): \Closure
    {
        $within = $this->term === null ? '' : "{$this->term['taxonomy']}/{$this->term['slug']}";

        return fn (Record $record): ?int => $record->place($within);
    }

    public function label(): string
    {
        return 'Own order, by hand'.($this->term === null ? '' : ", as in {$this->term['name']}");
    }

    public function directionWords(Direction $direction): string
    {
        return $direction === Direction::Up ? '' : 'last first';
    }

    public function options(): array
    {
        return $this->term === null ? [] : ['of' => $this->term['taxonomy'], 'term' => $this->term['slug']];
    }

    public function references(string $at, array $types): array
    {
        return $this->term === null
            ? []
            : [Reference::toTerm("{$at}.term", $this->term['taxonomy'], $this->term['slug'])];
    }
}
