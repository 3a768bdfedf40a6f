<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\SearchTerm;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Text\Words;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/**
 * Every word of the search occurs in one of the searched texts, or in the name of one of the record's terms or of a
 * term above. A word matches as a whole, in any of its forms, or, if it ends in `*`, as a beginning. Case and accents
 * are ignored.
 */
final readonly class Search implements Test
{
    use RecordTest;

    private const MAX_WEIGHT = 10;

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

    public function valueSchema(): array
    {
        return ['type' => 'string', 'minLength' => 1];
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function lacks(Context $context): bool
    {
        return false;
    }

    public function keepsRecord(Record $record, BoundCondition $condition, Context $context): bool
    {
        foreach (self::terms($condition) as $word) {
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
            array_map(strval(...), array_keys(self::weights($condition) ?? [])),
        );
    }

    /** @return list<SearchTerm> */
    public static function terms(Condition $condition): array
    {
        return SearchTerm::all(is_string($condition->value) ? $condition->value : '', self::weights($condition));
    }

    public function searchTerms(Condition $condition): array
    {
        return self::terms($condition);
    }

    public function readsTermNames(): bool
    {
        return true;
    }

    public function valueOrigins(Field $field): array
    {
        return ['address'];
    }

    public function readOptions(Shape $shape, Field $field, Type $type, Problems $problems): array
    {
        if (! $shape->has('in')) {
            return [];
        }
        $given = $shape->raw('in');
        if (! is_array($given) || $given === [] || array_is_list($given)) {
            $shape->wrong('in', 'fields, at least one, each with what a word found there counts: {"title": 4}', $given);

            return [];
        }
        $in = [];
        $one = new Shape($given, $shape->at('in'), $problems);
        foreach (array_map(strval(...), array_keys($given)) as $key) {
            if (! isset($field->choices[$key])) {
                $problems->add(
                    $shape->at('in'),
                    ProblemCode::UnknownField,
                    "“{$key}” is no text of {$type->plural}; expected one of: "
                        .implode(', ', array_keys($field->choices)).'.',
                    ['field' => $key],
                );
            } else {
                $in[$key] = $one->whole($key, 1, 1, self::MAX_WEIGHT);
            }
        }

        return $in === [] ? [] : ['in' => $in];
    }

    public static function optionSchemas(): array
    {
        return ['in' => [
            'description' => 'The fields it looks in, texts and taxonomies, and what a word found there counts for '
                .'the order'
                .' by relevance; without it, all of them.',
            'type' => 'object',
            'minProperties' => 1,
            'additionalProperties' => ['type' => 'integer', 'minimum' => 1, 'maximum' => self::MAX_WEIGHT],
        ]];
    }

    public function optionPieces(Condition $condition, string $at): array
    {
        $in = self::weights($condition) ?? [];
        $differ = count(array_unique($in)) > 1;
        $words = implode(' or ', array_map(
            fn (string $key): string => $condition->field->choiceLabel($key).($differ ? " ({$in[$key]})" : ''),
            array_keys($in),
        ));

        return $in === [] ? [] : [new Piece(' in '), new Piece($words, "{$at}.in")];
    }

    /** @return non-empty-array<string, int>|null what finding a word counts, by field; null: in every text */
    private static function weights(Condition $condition): ?array
    {
        $in = $condition->options['in'] ?? null;

        return is_array($in) && $in !== [] ? array_filter($in, is_int(...)) ?: null : null;
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
