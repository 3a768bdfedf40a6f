<?php

declare(strict_types=1);

namespace Tests\Support;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Taxonomy\Term;
use Wellspring\Core\Content\Taxonomy\TermTree;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Who\Viewer;
use Wellspring\Core\Wording\Format;

/** A small catalogue with a field of every kind, and records for it. */
final class Garden
{
    /** @return array<string, mixed> the type file of a plant */
    public static function plantFile(): array
    {
        return [
            '$schema' => TypeFile::DRAFT,
            'title' => 'Plant',
            'type' => 'object',
            'x-wellspring' => [
                'format' => 1,
                'key' => 'plant',
                'plural' => 'Plants',
                'address' => '/plants/{slug}',
                'taxonomies' => ['groups'],
            ],
            'properties' => [
                'picture' => ['title' => 'Picture', 'type' => 'string', 'x-wellspring' => ['kind' => 'picture']],
                'price' => ['title' => 'Price', 'type' => 'number', 'x-wellspring' => ['kind' => 'money']],
                'height' => [
                    'title' => 'Height',
                    'type' => 'number',
                    'x-wellspring' => ['kind' => 'number', 'unit' => 'cm'],
                ],
                'nickname' => ['title' => 'Nickname', 'type' => 'string', 'x-wellspring' => ['kind' => 'text']],
                'story' => ['title' => 'Story', 'type' => 'string', 'x-wellspring' => ['kind' => 'longText']],
                'light' => [
                    'title' => 'Light',
                    'enum' => ['sun', 'half-shade', 'shade'],
                    'x-wellspring' => ['kind' => 'choice', 'labels' => ['sun' => 'Full sun']],
                ],
                'uses' => [
                    'title' => 'Uses',
                    'type' => 'array',
                    'uniqueItems' => true,
                    'items' => ['enum' => ['pot', 'hedge', 'cut']],
                    'x-wellspring' => ['kind' => 'choices'],
                ],
                'hardy' => ['title' => 'Hardy', 'type' => 'boolean', 'x-wellspring' => ['kind' => 'yesNo']],
                'sown' => [
                    'title' => 'Sown',
                    'type' => 'string',
                    'format' => 'date',
                    'x-wellspring' => ['kind' => 'date'],
                ],
                'watered' => [
                    'title' => 'Watered',
                    'type' => 'string',
                    'format' => 'date-time',
                    'x-wellspring' => ['kind' => 'instant'],
                ],
                'shots' => ['title' => 'Shots', 'maxItems' => 4, 'x-wellspring' => ['kind' => 'pictures']],
                'leaflet' => ['title' => 'Leaflet', 'x-wellspring' => ['kind' => 'file']],
                'film' => ['title' => 'Film', 'x-wellspring' => ['kind' => 'video']],
                'spot' => ['title' => 'Spot', 'x-wellspring' => ['kind' => 'place']],
                'source' => ['title' => 'Source', 'x-wellspring' => ['kind' => 'link']],
                'bloom' => ['title' => 'Bloom', 'x-wellspring' => ['kind' => 'colour']],
                'friends' => [
                    'title' => 'Friends',
                    'maxItems' => 3,
                    'x-wellspring' => ['kind' => 'items', 'types' => ['plant']],
                ],
                'keeper' => ['title' => 'Keeper', 'x-wellspring' => ['kind' => 'person']],
                'open' => ['title' => 'Open', 'x-wellspring' => ['kind' => 'hours']],
                'sale_price' => ['title' => 'Sale price', 'type' => 'number', 'x-wellspring' => ['kind' => 'money']],
                'sale_from' => [
                    'title' => 'Sale from',
                    'type' => 'string',
                    'format' => 'date',
                    'x-wellspring' => ['kind' => 'date'],
                ],
                'sale_until' => [
                    'title' => 'Sale until',
                    'type' => 'string',
                    'format' => 'date',
                    'x-wellspring' => ['kind' => 'date'],
                ],
                'rating' => ['title' => 'Rating', 'type' => 'number', 'x-wellspring' => ['kind' => 'number']],
                'ratings' => [
                    'title' => 'Ratings',
                    'type' => 'number',
                    'x-wellspring' => ['kind' => 'number', 'decimals' => 0],
                ],
            ],
        ];
    }

    /** @return array<string, mixed> the type file of a tool, which has some of a plant's fields */
    public static function toolFile(): array
    {
        $plant = self::plantFile()['properties'];

        return [
            '$schema' => TypeFile::DRAFT,
            'title' => 'Tool',
            'type' => 'object',
            'x-wellspring' => [
                'format' => 1,
                'key' => 'tool',
                'plural' => 'Tools',
                'address' => '/tools/{slug}',
                'taxonomies' => ['groups'],
            ],
            'properties' => (
                is_array($plant)
                    ? array_intersect_key(
                        $plant,
                        array_flip(['picture', 'price', 'nickname', 'story', 'hardy', 'watered', 'friends']),
                    )
                    : []
            )
                + [
                    'light' => [
                        'title' => 'Weight',
                        'enum' => ['sun', 'heavy'],
                        'x-wellspring' => ['kind' => 'choice'],
                    ],
                    'height' => ['title' => 'Height', 'type' => 'string', 'x-wellspring' => ['kind' => 'text']],
                ],
        ];
    }

    public static function groups(): Taxonomy
    {
        return new Taxonomy('groups', 'Plant groups', true, new TermTree([
            new Term('perennials', 'Perennials'),
            new Term('ferns', 'Ferns', 'perennials'),
            new Term('tree-ferns', 'Tree ferns', 'ferns'),
            new Term('hostas', 'Hostas', 'perennials'),
            new Term('shrubs', 'Shrubs'),
        ]));
    }

    /** @return array<string, Taxonomy> by key; no item has a term of the second */
    public static function taxonomies(): array
    {
        return [
            'groups' => self::groups(),
            'soils' => new Taxonomy(
                'soils',
                'Soils',
                false,
                new TermTree([new Term('clay', 'Heavy clay'), new Term('ferns', 'Fern peat')]),
            ),
        ];
    }

    public static function cards(?Context $context = null): CardContext
    {
        return new CardContext($context ?? self::context(), self::format());
    }

    public static function format(): Format
    {
        return new Format('en-GB', 'GBP', 'Europe/London');
    }

    public static function plant(): Type
    {
        return TypeFile::read(self::plantFile(), ['groups' => self::groups()]);
    }

    public static function catalogue(): Catalogue
    {
        static $catalogue = null;

        return $catalogue ??= self::catalogueWith(self::plantFile());
    }

    /** @param  array<string, mixed>  $plantFile */
    public static function catalogueWith(array $plantFile): Catalogue
    {
        return new Catalogue(
            [
                'plant' => TypeFile::read($plantFile, ['groups' => self::groups()]),
                'tool' => TypeFile::read(self::toolFile(), ['groups' => self::groups()]),
            ],
            self::taxonomies(),
            ['gardeners' => 'Gardeners', 'journal' => 'The journal'],
        );
    }

    public static function context(
        string $at = '2026-06-01T12:00:00Z',
        ?Viewer $viewer = null,
        string $zone = 'Europe/London',
        PageSubject $page = new PageSubject,
    ): Context {
        return new Context(
            new \DateTimeImmutable($at),
            $viewer ?? Viewer::signedOut(),
            new Calendar(new \DateTimeZone($zone)),
            $page,
        );
    }

    /** @param  array<string, mixed>  $rules */
    public static function module(array $rules = []): Module
    {
        return (new ModuleReader(self::catalogue()))->read(
            $rules + ['format' => 1, 'key' => 'plants', 'name' => 'Plants', 'source' => ['items' => ['plant']]],
        );
    }

    /**
     * @param  array<string, mixed>  $values
     * @param  array<string, list<Record>>  $linked
     */
    public static function record(
        int $id,
        array $values = [],
        string $title = '',
        Status $status = Status::Published,
        ?string $publishAt = '2026-01-01T00:00:00Z',
        ?string $expireAt = null,
        ?Audience $audience = null,
        array $linked = [],
    ): Record {
        return new Record(
            $id,
            'plant',
            "plant-{$id}",
            $title === '' ? "Plant {$id}" : $title,
            $status,
            $publishAt,
            $expireAt,
            $audience ?? Audience::everyone(),
            $values,
            $linked,
        );
    }
}
