<?php

declare(strict_types=1);

namespace Wellspring\Core\Context;

use Wellspring\Core\Map\TileSource;

/** The JSON Schema (2020-12) of the site's settings. */
final class SiteSettingsSchema
{
    private const TEXT = ['type' => 'string', 'minLength' => 1];

    /** @return array<string, mixed> */
    public static function build(): array
    {
        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'The settings of a Wellspring site, format '.SiteSettingsReader::FORMAT,
            ...self::object([
                'format' => ['const' => SiteSettingsReader::FORMAT],
                'name' => self::TEXT + ['maxLength' => SiteSettingsReader::MAX_NAME],
                'locale' => self::TEXT + ['description' => 'A locale that ICU knows, such as en-GB.'],
                'timeZone' => self::TEXT + ['description' => 'An IANA time zone, such as Europe/London.'],
                'firstWeekday' => [
                    'type' => 'integer',
                    'minimum' => 1,
                    'maximum' => 7,
                    'description' => 'ISO 8601: 1 is Monday. If absent, that of the locale.',
                ],
                'currency' => self::TEXT + ['description' => 'A currency of ISO 4217, such as GBP.'],
                'signUp' => ['type' => 'boolean', 'default' => false],
                ...array_fill_keys(
                    SiteSettingsReader::PAGES,
                    self::TEXT + ['description' => 'The key of a page.'],
                ),
                'map' => self::object([
                    'tiles' => ['type' => 'string', 'pattern' => trim(TileSource::PATTERN, '~Di')],
                    'attribution' => self::TEXT,
                ], ['tiles', 'attribution']),
                'videoSites' => ['type' => 'array', 'items' => self::object(
                    array_fill_keys(['name', 'host', 'oembed', 'frames'], self::TEXT),
                    ['name', 'host', 'oembed', 'frames'],
                )],
            ], ['format', 'name', 'locale', 'timeZone', 'currency']),
        ];
    }

    /**
     * @param  array<string, mixed>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    private static function object(array $properties, array $required): array
    {
        return [
            'type' => 'object',
            'required' => $required,
            'additionalProperties' => false,
            'properties' => $properties,
        ];
    }
}
