<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice\Control;

use Wellspring\Core\Choice\ChosenFilter;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\FilterControl;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Wording\Format;

/**
 * Places within a distance in kilometres of a point: one that the manager names, `mill,5`, or the visitor's position,
 * `50.6105,-3.5219,5`.
 */
final readonly class Near implements FilterControl
{
    use Defaults;

    /** A key, or a latitude and a longitude; then kilometres. */
    private const FORM = '/^(?:([a-z0-9-]+)|(-?\d{1,2}(?:\.\d{1,6})?),(-?\d{1,3}(?:\.\d{1,6})?)),(\d{1,5})$/D';

    private const POINTS = 'points';

    private const DISTANCES = 'distances';

    public function key(): string
    {
        return 'near';
    }

    public function words(): string
    {
        return 'near a point';
    }

    public function suits(Field $field): bool
    {
        return $field->family() === Family::Place;
    }

    public function settings(): array
    {
        return [
            new NamedPoints(self::POINTS, 'Points'),
            new Distances(self::DISTANCES, 'Distances'),
        ];
    }

    public function takes(): array
    {
        return ['open'];
    }

    public function counting(): Counting
    {
        return Counting::Nothing;
    }

    /** @return array<string, array{name: string, latitude: int|float, longitude: int|float}> by key */
    public static function points(OfferedFilter $filter): array
    {
        return array_column(NamedPoints::of($filter->settings()->get(self::POINTS)), null, 'key');
    }

    /** @return list<positive-int> kilometres */
    public static function distances(OfferedFilter $filter): array
    {
        return Distances::of($filter->settings()->get(self::DISTANCES));
    }

    public function read(string $said, OfferedFilter $filter): ?ChosenFilter
    {
        if (preg_match(self::FORM, $said, $found) !== 1) {
            return null;
        }
        $named = self::points($filter)[$found[1]] ?? null;
        $latitude = $found[1] === '' ? (float) $found[2] : $named['latitude'] ?? null;
        $longitude = $found[1] === '' ? (float) $found[3] : $named['longitude'] ?? null;
        $distance = (int) $found[4];
        $test = Tests::find('within', Family::Place);
        if (
            $latitude === null
            || $longitude === null
            || abs($latitude) > 90
            || abs($longitude) > 180
            || ! in_array($distance, self::distances($filter), true)
            || $test === null
        ) {
            return null;
        }

        return new ChosenFilter(
            $filter,
            ($found[1] === '' ? json_encode($latitude).','.json_encode($longitude) : $found[1]).",{$distance}",
            new Condition(
                $filter->field,
                $test,
                ['latitude' => $latitude, 'longitude' => $longitude, 'km' => $distance],
            ),
            [$found[1], (string) $distance],
        );
    }

    public function chosenWords(ChosenFilter $chosen, Format $format): string
    {
        $name = self::points($chosen->filter)[$chosen->options[0]]['name']
            ?? $format->words()->text('choices.here');

        return $format->words()->text('choices.withinOf', [
            'distance' => $format->number((int) $chosen->options[1], 'km'), 'place' => $name,
        ]);
    }
}
