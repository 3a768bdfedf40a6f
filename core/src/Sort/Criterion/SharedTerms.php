<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Filter\Test\Related;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/** How many terms a record shares with the item that the page is about. */
final readonly class SharedTerms implements Criterion
{
    /** @param  list<string>  $taxonomies  keys */
    public function __construct(public array $taxonomies)
    {
    }

    public function key(): string
    {
        return 'sharedTerms';
    }

    public function family(): Family
    {
        return Family::Number;
    }

    public function goesUp(): bool
    {
        return false;
    }

    public function values(SortContext $ordering): \Closure
    {
        return fn (Record $record): int => Related::shared($record, $this->taxonomies, $ordering->context);
    }

    public function label(): string
    {
        return 'Terms shared with the one being shown';
    }

    public function directionWords(Direction $direction): string
    {
        return $direction === Direction::Down ? 'most first' : 'fewest first';
    }

    public function options(): array
    {
        return ['of' => $this->taxonomies];
    }
}
