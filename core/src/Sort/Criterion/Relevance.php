<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;
use Wellspring\Core\Text\SearchTerm;

/** How well a record fits the words looked for: each counts by the weightiest place that has it. */
final readonly class Relevance implements Criterion
{
    /** @param  list<SearchTerm>  $sought  filled in once bound */
    public function __construct(public array $sought = [])
    {
    }

    public function key(): string
    {
        return 'relevance';
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
        $language = $ordering->context->language;

        return fn (Record $record): int => array_sum(
            array_map(fn (SearchTerm $word): int => $word->weight($record->words, $language), $this->sought),
        );
    }

    public function label(): string
    {
        return 'How well it fits the words';
    }

    public function directionWords(Direction $direction): string
    {
        return $direction === Direction::Down ? 'best first' : 'worst first';
    }

    public function options(): array
    {
        return [];
    }
}
