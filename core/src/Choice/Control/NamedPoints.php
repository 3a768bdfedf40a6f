<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice\Control;

use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\Shape;

/** Option: named points: `[{"key": "mill", "name": "Mill Lane", "latitude": 50.61, "longitude": -3.52}]`. */
final readonly class NamedPoints implements Option
{
    private const MAX = 50;

    public function __construct(private string $key, private string $label)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function label(): string
    {
        return $this->label;
    }

    /** @return list<never> */
    public function default(): array
    {
        return [];
    }

    /** @return list<array{key: string, name: string, latitude: int|float, longitude: int|float}> */
    public function read(Shape $shape): array
    {
        $given = $shape->items($this->key);
        if (count($given) > self::MAX) {
            $shape->wrong($this->key, 'at most '.self::MAX.' points', $given);

            return [];
        }
        $points = [];
        foreach ($given as $one) {
            $point = self::point($one);
            if ($point === null || isset($points[$point['key']])) {
                $shape->wrong(
                    $this->key,
                    'points, each with a key of its own (small letters, digits, hyphens), a name, a latitude from -90 '
                        .'to 90 and a longitude from -180 to 180',
                    $given,
                );

                return [];
            }
            $points[$point['key']] = $point;
        }

        return array_values($points);
    }

    /** @return list<array{key: string, name: string, latitude: int|float, longitude: int|float}> */
    public static function of(mixed $value): array
    {
        return array_values(array_filter(array_map(self::point(...), is_array($value) ? $value : [])));
    }

    public function words(mixed $value): string
    {
        return 'of '.implode(', ', array_column(self::of($value), 'name'));
    }

    public function schema(): array
    {
        return ['type' => 'array', 'maxItems' => self::MAX, 'items' => [
            'type' => 'object',
            'required' => ['key', 'name', 'latitude', 'longitude'],
            'additionalProperties' => false,
            'properties' => [
                'key' => ['type' => 'string', 'pattern' => '^[a-z0-9-]{1,64}$'],
                'name' => ['type' => 'string', 'minLength' => 1],
                'latitude' => ['type' => 'number', 'minimum' => -90, 'maximum' => 90],
                'longitude' => ['type' => 'number', 'minimum' => -180, 'maximum' => 180],
            ],
        ]];
    }

    public function describe(): array
    {
        return ['key' => $this->key, 'label' => $this->label, 'kind' => 'points', 'default' => []];
    }

    /** @return array{key: string, name: string, latitude: int|float, longitude: int|float}|null */
    private static function point(mixed $given): ?array
    {
        if (! is_array($given) || array_diff(array_keys($given), ['key', 'name', 'latitude', 'longitude']) !== []) {
            return null;
        }
        $text = fn (string $key): string => is_string($given[$key] ?? null) ? trim($given[$key]) : '';
        $degrees = fn (string $key, int $most): int|float|null => (is_int($given[$key] ?? null)
            || is_float($given[$key] ?? null)) && abs($given[$key]) <= $most ? $given[$key] : null;
        [$latitude, $longitude] = [$degrees('latitude', 90), $degrees('longitude', 180)];

        return preg_match('/^[a-z0-9-]{1,64}$/D', $text('key')) === 1
            && $text('name') !== ''
            && $latitude !== null
            && $longitude !== null
            ? ['key' => $text('key'), 'name' => $text('name'), 'latitude' => $latitude, 'longitude' => $longitude]
            : null;
    }
}
