<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Wording\Format;

/** Keeps the records that share at least one term, of the named taxonomies, with the page's item. */
final readonly class Related implements Test
{
    use RecordTest;

    public function key(): string
    {
        return 'related';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Identity;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    /** @return non-empty-list<string> keys of taxonomies */
    public function readValue(mixed $value, Field $field): array
    {
        return ValueLists::known($value, array_map(strval(...), array_keys($field->choices)), 'taxonomies');
    }

    public function valueSchema(): array
    {
        return ['type' => 'array', 'minItems' => 1, 'items' => ['type' => 'string']];
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function lacks(Context $context): bool
    {
        return $context->pageItem() === null;
    }

    public function keepsRecord(Record $record, BoundCondition $condition, Context $context): bool
    {
        return self::shared($record, ValueLists::texts($condition->value), $context) > 0;
    }

    /**
     * The number of terms that the record shares with the page's item.
     *
     * @param  list<string>  $taxonomies  keys
     */
    public static function shared(Record $record, array $taxonomies, Context $context): int
    {
        $item = $context->pageItem();
        if ($item === null) {
            return 0;
        }

        return array_sum(
            array_map(
                fn (string $taxonomy): int => count(
                    array_intersect($record->terms($taxonomy), $item->terms($taxonomy)),
                ),
                $taxonomies,
            ),
        );
    }

    public function relatedBy(Condition $condition): array
    {
        return ValueLists::texts($condition->value);
    }

    public function words(Condition $condition): string
    {
        return 'shares, with the one being shown, a term of';
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return implode(' or ', array_map($condition->field->choiceLabel(...), ValueLists::texts($condition->value)));
    }
}
