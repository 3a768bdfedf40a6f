<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/**
 * A place: an address, coordinates (degrees, WGS 84), or both. In a cell: `Mill Lane, Quillmoor @ 50.6105, -3.5219`.
 */
final class Place implements Kind
{
    use NoLimits;

    public function key(): string
    {
        return 'place';
    }

    public function family(): Family
    {
        return Family::Place;
    }

    public function words(): string
    {
        return 'Place';
    }

    public function limits(): array
    {
        return [];
    }

    /** @return array{address?: string, latitude?: int|float, longitude?: int|float}|null */
    public function read(mixed $value, Field $field): ?array
    {
        if ($value === null || $value === '' || $value === []) {
            return null;
        }
        if (
            ! is_array($value)
            || array_is_list($value)
            || array_diff(array_keys($value), ['address', 'latitude', 'longitude']) !== []
        ) {
            throw WrongValue::expected('a place with address, latitude and longitude', $value);
        }
        $address = $value['address'] ?? '';
        if (! is_string($address)) {
            throw WrongValue::expected('an address as text', $address);
        }
        Text::mustBeReadable($address);
        $address = Whitespace::squeeze($address);
        if (mb_strlen($address) > 500) {
            throw new WrongValue('expected an address of at most 500 characters, found '.mb_strlen($address).'.');
        }
        $latitude = self::degrees($value['latitude'] ?? null, 90, 'latitude');
        $longitude = self::degrees($value['longitude'] ?? null, 180, 'longitude');
        if (($latitude === null) !== ($longitude === null)) {
            throw new WrongValue('expected both a latitude and a longitude, or neither.');
        }

        return ($address === '' ? [] : ['address' => $address]) + (
            $latitude === null || $longitude === null ? [] : ['latitude' => $latitude, 'longitude' => $longitude]
        ) ?: null;
    }

    private static function degrees(mixed $value, int $most, string $what): int|float|null
    {
        return match (true) {
            $value === null => null,
            (is_int($value) || is_float($value)) && abs($value) <= $most => is_float($value) && floor($value) === $value
                ? (int) $value
                : $value,
            default => throw WrongValue::expected("a {$what} from -{$most} to {$most}", $value),
        };
    }

    public function readCell(string $cell, Field $field): mixed
    {
        $cell = Whitespace::trim($cell);
        if (preg_match('/^(.*?)\s*@\s*(-?\d+(?:\.\d+)?)\s*,\s*(-?\d+(?:\.\d+)?)$/Ds', $cell, $m) === 1) {
            return $this->read(['address' => $m[1], 'latitude' => (float) $m[2], 'longitude' => (float) $m[3]], $field);
        }

        return $cell === '' ? null : $this->read(['address' => preg_replace('/\s*@$/D', '', $cell) ?? $cell], $field);
    }

    public function writeCell(mixed $value, Field $field): string
    {
        $place = is_array($value) ? $value : [];
        $address = is_string($place['address'] ?? null) ? $place['address'] : '';

        return ! isset($place['latitude'], $place['longitude'])
            // An address that looks like one with coordinates, or would be cut, gets a mark at its end for "no
            // coordinates".
            ? (preg_match('/@\s*(-?\d+(\.\d+)?\s*,\s*-?\d+(\.\d+)?)?$/D', $address) === 1 ? $address.' @' : $address)
            : Whitespace::trim(
                $address.' @ '.json_encode($place['latitude'], JSON_THROW_ON_ERROR).', '
                    .json_encode($place['longitude'], JSON_THROW_ON_ERROR),
            );
    }

    public function display(mixed $value, Field $field, Format $format, array $names): string
    {
        return is_array($value) && is_string($value['address'] ?? null)
            ? $value['address']
            : $this->writeCell($value, $field);
    }

    public function schema(Field $field): array
    {
        return [
            'type' => 'object',
            'properties' => [
                'address' => ['type' => 'string'],
                'latitude' => ['type' => 'number', 'minimum' => -90, 'maximum' => 90],
                'longitude' => ['type' => 'number', 'minimum' => -180, 'maximum' => 180],
            ],
            'additionalProperties' => false,
        ];
    }
}
