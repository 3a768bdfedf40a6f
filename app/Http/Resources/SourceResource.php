<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Catalogue\CatalogueStore;
use App\Http\OpenApi\DefinitionSchemas;
use Wellspring\Core\Card\PartKinds;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Sort\Criteria;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Source\Source;

/**
 * What rules, orders, headings and cards may say of a source's records, as the bench takes it.
 *
 * @phpstan-import-type FieldShape from FieldResource
 * @phpstan-import-type DirectionsShape from FieldResource
 * @phpstan-import-type PartShape from DefinitionSchemas
 *
 * @phpstan-type SourceRecordsShape array{
 *     start: string, plural: string, isItems: bool, types: list<string>, taxonomies: list<string>,
 *     fields: list<FieldShape>,
 *     own: list<string>, orders: list<OrderShape>, headings: list<HeadingFieldShape>, parts: list<PartOfferShape>,
 * }
 * @phpstan-type PartOfferShape array{label: string, part: PartShape}
 * @phpstan-type OrderShape array{
 *     key: string, label: string, goesUp: bool, directions: DirectionsShape, options: JsonMap<mixed>,
 * }
 * @phpstan-type HeadingFieldShape array{
 *     key: string, label: string, family: value-of<Family>, directions: DirectionsShape,
 * }
 */
final readonly class SourceResource
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    /** @return SourceRecordsShape */
    public function of(Source $source): array
    {
        $type = $source->type();

        return [
            'start' => $source->startKey(),
            'plural' => $type->plural,
            'isItems' => $source->recordsOf() === RecordsOf::Items,
            'types' => $source->recordsOf() === RecordsOf::Items ? $source->typeKeys() : [],
            'taxonomies' => array_map(strval(...), array_keys($type->taxonomies)),
            'fields' => array_values(array_map(
                fn (Field $field): array => FieldResource::of($field, array_keys($type->taxonomies)),
                $this->catalogue->catalogue()->askable($type),
            )),
            'own' => array_map(strval(...), array_keys($type->reachable)),
            'orders' => array_values(array_map(fn (Criterion $by): array => [
                'key' => $by->key(),
                'label' => $by->label(),
                'goesUp' => $by->goesUp(),
                'directions' => [
                    'up' => $by->directionWords(Direction::Up),
                    'down' => $by->directionWords(Direction::Down),
                ],
                'options' => new JsonMap($by->options()),
            ], Criteria::offered($source))),
            'parts' => PartKinds::offers($type),
            'headings' => array_values(
                array_map(
                    fn (Field $field): array => [
                        'key' => $field->key,
                        'label' => $field->label,
                        'family' => $field->family()->value,
                        'directions' => [
                            'up' => Headings::directionWords($field, Direction::Up),
                            'down' => Headings::directionWords($field, Direction::Down),
                        ],
                    ],
                    array_filter($type->reachable, fn (Field $field): bool => Headings::suits($field->family())),
                ),
            ),
        ];
    }
}
