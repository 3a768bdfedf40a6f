<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\ConditionReader;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Filter\Value\SubjectPart;
use Wellspring\Core\Sort\Criterion\FieldValue;
use Wellspring\Core\Sort\Direction;

/** A field as the manage screens take it: its words, and what rules may say of it. */
final class FieldResource
{
    /** @return array<string, mixed> */
    public static function of(Field $field): array
    {
        $family = $field->family();

        return [
            'key' => $field->key,
            'label' => $field->label,
            'kind' => $field->kind->key(),
            'family' => $family->value,
            'origin' => $field->origin->value,
            'help' => $field->help,
            'unit' => $field->unit,
            'required' => $field->required,
            'section' => $field->section,
            'types' => $field->types,
            'taxonomy' => $field->taxonomy?->key,
            'limits' => array_filter((array) $field->limits, fn (mixed $limit): bool => $limit !== null),
            'choices' => array_map(
                fn (string|int $key): array => [
                    'key' => (string) $key,
                    'label' => $field->choices[$key],
                    'colour' => $field->colours[$key] ?? null,
                ],
                array_keys($field->choices),
            ),
            'tests' => array_map(fn (Test $test): array => [
                'key' => $test->key(),
                // With two values, so that the words fit one as well as many.
                'words' => $test->words(new Condition($field, $test, ['', ''])),
                'wantsValue' => $test->wantsValue(),
                'from' => $test->valueOrigins($field),
            ], Tests::for($family)),
            'takes' => array_map(fn (SubjectPart $take): string => $take->value, ConditionReader::takes($field)),
            'sorts' => $family->ordered(),
            'directions' => $family->ordered() ? self::directions($field) : null,
            'onCards' => $family->readsAsText(),
        ];
    }

    /** @return array{up: string, down: string} */
    private static function directions(Field $field): array
    {
        $by = new FieldValue($field);

        return ['up' => $by->directionWords(Direction::Up), 'down' => $by->directionWords(Direction::Down)];
    }
}
