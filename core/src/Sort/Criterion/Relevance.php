<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;
use Wellspring\Core\Text\SearchTerm;

/** The relevance of a record for a search: each word counts by the place with the greatest weight that contains it. */
final readonly class Relevance implements Criterion
{
    use Defaults;

    public const KEY = 'relevance';

    /** @param  list<SearchTerm>  $terms  empty until the module's conditions are known */
    public function __construct(public array $terms = [])
    {
    }

    public function key(): string
    {
        return self::KEY;
    }

    public function family(): Family
    {
        return Family::Number;
    }

    public function goesUp(): bool
    {
        return false;
    }

    public function values(SortContext $context): \Closure
    {
        $language = $context->context->language;

        return fn (Record $record): int => array_sum(
            array_map(fn (SearchTerm $word): int => $word->weight($record->words, $language), $this->terms),
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

    public static function of(Type $type): self
    {
        return new self;
    }

    public function bound(?BoundGroup $where): self
    {
        $terms = [];
        foreach ($where?->conditions() ?? [] as $condition) {
            if (! $condition->off && $condition->missing === null) {
                foreach ($condition->test->searchTerms($condition) as $term) {
                    $terms[$term->word.json_encode($term->in)] = $term;
                }
            }
        }

        return new self(array_values($terms));
    }
}
