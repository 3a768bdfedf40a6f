<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\RecordTest;
use Wellspring\Core\Filter\ReferringTest;
use Wellspring\Core\Text\SearchTerm;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Text\Words;
use Wellspring\Core\Wording\Format;

/**
 * Every word looked for is in one of the texts it looks in, or in the name of one of the record's terms or of one
 * above: as a whole, in any of its forms, or, ending in `*`, as a beginning. Case and accents make no difference.
 */
final readonly class Search implements RecordTest, ReferringTest
{
    public function key(): string
    {
        return 'search';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Words;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    public function readValue(mixed $value, Field $field): string
    {
        $text = Whitespace::trim(TextMatch::given($value));

        return Words::ofQuery($text) === [] ? throw WrongValue::expected('at least one word or number', $value) : $text;
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function lacks(Context $context): bool
    {
        return false;
    }

    public function keeps(mixed $found, Condition $condition, Context $context): bool
    {
        return false;
    }

    public function keepsRecord(Record $record, Condition $condition, Context $context): bool
    {
        foreach (self::sought($condition) as $word) {
            if ($word->weight($record->words, $context->language) === 0) {
                return false;
            }
        }

        return true;
    }

    public function references(Condition $condition, string $at, array $types): array
    {
        return array_map(
            fn (string $key): Reference => Reference::toFieldAsKey(
                "{$at}.in",
                $key,
                new Field($key, $key, new Kind\Text),
                $types,
            ),
            array_map(strval(...), array_keys($condition->in ?? [])),
        );
    }

    /** @return list<SearchTerm> */
    public static function sought(Condition $condition): array
    {
        return SearchTerm::all(is_string($condition->value) ? $condition->value : '', $condition->in);
    }

    public function words(Condition $condition): string
    {
        return 'hold';
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return is_string($condition->value) ? "“{$condition->value}”" : '';
    }
}
