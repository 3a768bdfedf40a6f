<?php

declare(strict_types=1);

namespace App\Http\Resources;

use OpenApi\Attributes as OA;
use Wellspring\Core\Choice\FilterControls;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\ConditionReader;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Filter\Value\SubjectPart;
use Wellspring\Core\Sort\Criterion\FieldValue;
use Wellspring\Core\Sort\Direction;

/**
 * A field as the manage screens take it: its words, and what rules may say of it.
 *
 * @phpstan-type FieldTestShape array{
 *     key: string, words: string, wantsValue: bool, from: list<'page'|'viewer'|'address'>,
 * }
 * @phpstan-type LimitsShape JsonMap<int|float|string>
 * @phpstan-type FieldShape array{
 *     key: string, label: string, kind: string, family: value-of<Family>, origin: value-of<Origin>, help: string,
 *     unit: string, required: bool, section: string, types: list<string>, taxonomy: string|null, limits: LimitsShape,
 *     choices: list<array{key: string, label: string, colour: string|null}>, tests: list<FieldTestShape>,
 *     usual: array{test: string, value: mixed, isComplete: bool},
 *     takes: list<value-of<SubjectPart>>, sorts: bool, directions: DirectionsShape|null, onCards: bool,
 *     controls: list<string>,
 * }
 * @phpstan-type DirectionsShape array{up: string, down: string}
 */
#[OA\Schema(schema: 'Limits', type: 'object', properties: [
    new OA\Property('minimum', type: 'number'),
    new OA\Property('maximum', type: 'number'),
    new OA\Property('decimals', type: 'integer'),
    new OA\Property('minLength', type: 'integer'),
    new OA\Property('maxLength', type: 'integer'),
    new OA\Property('pattern', type: 'string'),
    new OA\Property('earliest', type: 'string'),
    new OA\Property('latest', type: 'string'),
    new OA\Property('rangeFrom', type: 'string'),
    new OA\Property('maxItems', type: 'integer'),
], additionalProperties: false)]
final class FieldResource
{
    /**
     * @param  list<string>  $taxonomies  keys of the taxonomies that the records have
     * @return FieldShape
     */
    public static function of(Field $field, array $taxonomies = []): array
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
            'limits' => new JsonMap(array_filter(
                get_object_vars($field->limits),
                fn (int|float|string|null $limit): bool => $limit !== null,
            )),
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
            'usual' => Tests::usual($field, $taxonomies),
            'takes' => array_map(fn (SubjectPart $take): string => $take->value, ConditionReader::takes($field)),
            'sorts' => $family->ordered(),
            'directions' => $family->ordered() ? self::directions($field) : null,
            'onCards' => $family->readsAsText(),
            'controls' => $field->through === null ? FilterControls::suiting($field) : [],
        ];
    }

    /** @return DirectionsShape */
    private static function directions(Field $field): array
    {
        $by = new FieldValue($field);

        return ['up' => $by->directionWords(Direction::Up), 'down' => $by->directionWords(Direction::Down)];
    }
}
