<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Wording\Format;

/**
 * A place at most a number of kilometres from a point, in a straight line over the globe (haversine formula). A place
 * that has only an address has no distance and fails.
 */
final readonly class Within implements Test
{
    use ValueTest;

    /** The earth's mean radius in km (IUGG; from memory). */
    public const RADIUS = 6371.0088;

    private const MOST_KM = 20_100;

    public function key(): string
    {
        return 'within';
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Place;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    /** @return array{latitude: int|float, longitude: int|float, km: int|float} */
    public function readValue(mixed $value, Field $field): array
    {
        $number = function (string $key, int $min, int $max) use ($value): int|float {
            $number = is_array($value) ? $value[$key] ?? null : null;

            return (is_int($number) || is_float($number)) && $number >= $min && $number <= $max
                ? $number
                : throw WrongValue::expected(
                    'a latitude from -90 to 90, a longitude from -180 to 180 and km from 0 to '.self::MOST_KM,
                    $value,
                );
        };

        return [
            'latitude' => $number('latitude', -90, 90),
            'longitude' => $number('longitude', -180, 180),
            'km' => $number('km', 0, self::MOST_KM),
        ];
    }

    public function valueSchema(): array
    {
        $number = fn (int $min, int $max): array => ['type' => 'number', 'minimum' => $min, 'maximum' => $max];

        return [
            'type' => 'object',
            'required' => ['latitude', 'longitude', 'km'],
            'additionalProperties' => false,
            'properties' => [
                'latitude' => $number(-90, 90), 'longitude' => $number(-180, 180), 'km' => $number(0, self::MOST_KM),
            ],
        ];
    }

    public function isNegative(): bool
    {
        return false;
    }

    public function usesIndex(): bool
    {
        return false;
    }

    /** @return list<'page'|'viewer'|'address'> none: the point is given */
    public function valueOrigins(Field $field): array
    {
        return [];
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        [$latitude, $longitude] = is_array($found)
            ? [$found['latitude'] ?? null, $found['longitude'] ?? null]
            : [null, null];
        if (! is_numeric($latitude) || ! is_numeric($longitude)) {
            return false;
        }
        $from = $this->readValue($condition->value, $condition->field);

        return self::distance($from['latitude'], $from['longitude'], (float) $latitude, (float) $longitude)
            <= $from['km'];
    }

    /** @return float kilometres between two points, given in degrees */
    public static function distance(float $latitude1, float $longitude1, float $latitude2, float $longitude2): float
    {
        $half = fn (float $degrees): float => sin(deg2rad($degrees) / 2) ** 2;
        $chord = $half($latitude2 - $latitude1)
            + cos(deg2rad($latitude1)) * cos(deg2rad($latitude2)) * $half($longitude2 - $longitude1);

        return 2 * self::RADIUS * asin(min(1.0, sqrt($chord)));
    }

    public function words(Condition $condition): string
    {
        return 'lies within';
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        $value = $this->readValue($condition->value, $condition->field);

        return $format->number($value['km'], 'km')." of {$format->number($value['latitude'])}, "
            .$format->number($value['longitude']);
    }
}
