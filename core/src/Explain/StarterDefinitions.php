<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Card\Part\Price;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Sort\Criterion\PriceNow;
use Wellspring\Core\Sort\Criterion\WeightedRating;

/** The definitions that a new module can start from, made for the site's types and taxonomies. */
final readonly class StarterDefinitions
{
    /**
     * Common names of listings for the search (common practice, no source). The array key is the first word of the
     * suggestion's key: `newest` for `newest-post`.
     */
    private const EVERYDAY = [
        'all' => ['list', 'catalogue', 'catalog', 'directory', 'overview', 'everything'],
        'shop' => ['shop', 'store', 'catalogue', 'catalog', 'products', 'goods'],
        'gallery' => ['gallery', 'portfolio', 'pictures', 'photos', 'work', 'projects'],
        'newest' => ['blog', 'news', 'journal', 'latest', 'recent', 'feed'],
        'sale' => ['offers', 'bargains', 'discount', 'reduced', 'shop'],
        'read' => ['popular', 'trending', 'most viewed', 'top'],
        'best' => ['top rated', 'reviews', 'stars', 'favourites'],
        'term' => ['category', 'topic', 'tag', 'section'],
        'related' => ['similar', 'more like this', 'see also', 'recommended'],
        'upcoming' => ['calendar', 'events', 'agenda', 'programme', 'what’s on', 'schedule', 'next'],
        'letters' => ['glossary', 'index', 'directory', 'alphabet', 'FAQ', 'questions', 'answers', 'help'],
        'archive' => ['archive', 'months', 'history', 'blog'],
        'spotlight' => ['featured', 'highlight', 'lead story', 'home page'],
        'index' => ['categories', 'tags', 'topics', 'taxonomy', 'overview'],
        'people' => ['team', 'staff', 'authors', 'members', 'about us'],
        'search' => ['search', 'find', 'results'],
    ];

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @return list<array{key: string, words: string, finds: list<string>, definition: array<string, mixed>}> the
     *   definition without format, key and name; `finds`: further search words
     */
    public function all(): array
    {
        $starts = [];
        foreach ($this->catalogue->types as $type) {
            array_push($starts, ...$this->ofType($type));
        }
        foreach ($this->catalogue->taxonomies as $taxonomy) {
            $plural = lcfirst($taxonomy->label);
            $starts[] = self::start(
                "index-{$taxonomy->key}",
                "An index of {$plural}, each with the number of its items",
                [
                    'source' => ['terms' => $taxonomy->key, 'used' => true],
                    'card' => self::card([['part' => 'title']], [['part' => 'field', 'field' => 'count']]),
                ],
            );
        }
        $starts[] = self::start(
            'people',
            'People, by name, each with the number of items they wrote',
            [
                'source' => ['people' => ['groups' => []]],
                'order' => [['by' => 'title']],
                'card' => self::card([['part' => 'title']], [['part' => 'field', 'field' => 'count']]),
            ],
        );
        if ($this->catalogue->types !== []) {
            $starts[] = self::start('search', 'What a visitor’s search finds, best first', [
                'source' => ['items' => array_map(strval(...), array_keys($this->catalogue->types))],
                'where' => [
                    'all' => [[
                        'field' => 'words',
                        'test' => 'search',
                        'value' => ['from' => 'address', 'name' => 'q'],
                        'whenMissing' => 'keepNone',
                    ]],
                ],
                'order' => [['by' => 'relevance', 'direction' => 'down'], ['by' => 'title']],
                'arrange' => ['as' => 'list'],
            ]);
        }

        return $starts;
    }

    /** @return list<array{key: string, words: string, finds: list<string>, definition: array<string, mixed>}> */
    private function ofType(Type $type): array
    {
        $items = ['source' => ['items' => [$type->key]], 'card' => StarterCards::of($type)];
        $plural = lcfirst($type->plural);
        $starts = [
            self::start(
                "all-{$type->key}",
                "All {$plural}, by title",
                $items + ['order' => [['by' => 'title']]],
            ),
            self::start(
                "newest-{$type->key}",
                "The newest {$plural}",
                $items + ['order' => [['by' => 'publish_at', 'direction' => 'down']]],
            ),
        ];
        if (Price::isMoney($type->fields['price'] ?? null)) {
            $starts[] = self::start(
                "shop-{$type->key}",
                ucfirst($plural).' for sale, cheapest first',
                $items + [
                    'where' => ['all' => [['field' => 'price', 'test' => 'filled']]],
                    'order' => [['by' => PriceNow::of($type) === null ? 'price' : 'priceNow'], ['by' => 'title']],
                ],
            );
        }
        $pictures = array_filter($type->fields, fn (Field $field): bool => $field->family()->isPicture());
        if ($pictures !== []) {
            $starts[] = self::start(
                "gallery-{$type->key}",
                "The pictures of {$plural}, newest first",
                [
                    'source' => ['items' => [$type->key]],
                    'where' => ['all' => [['field' => array_values($pictures)[0]->key, 'test' => 'filled']]],
                    'order' => [['by' => 'publish_at', 'direction' => 'down']],
                    'arrange' => ['as' => 'masonry'],
                    'card' => self::card([['part' => 'picture']], [['part' => 'title']]),
                ],
            );
        }
        if (PriceNow::of($type) !== null) {
            $starts[] = self::start(
                "sale-{$type->key}",
                ucfirst($plural).' on sale now, cheapest first',
                $items + [
                    'where' => ['all' => [['field' => 'sale_price', 'test' => 'filled'], ...self::saleDates($type)]],
                    'order' => [['by' => 'priceNow'], ['by' => 'title']],
                ],
            );
        }
        $starts[] = self::start(
            "read-{$type->key}",
            "The {$plural} most read this month",
            $items + [
                'order' => [['by' => 'popularity', 'days' => 30, 'direction' => 'down']],
                'page' => ['mode' => 'fixed', 'size' => 6],
                'arrange' => self::grid(1, 2, 3, 3),
            ],
        );
        if (WeightedRating::of($type) !== null) {
            $starts[] = self::start(
                "best-{$type->key}",
                "The best rated {$plural}",
                $items + [
                    'order' => [['by' => 'weightedRating', 'direction' => 'down']],
                    'page' => ['mode' => 'fixed', 'size' => 6],
                    'arrange' => self::grid(1, 2, 3, 3),
                ],
            );
        }
        foreach ($type->taxonomies as $taxonomy) {
            $starts[] = self::start(
                "term-{$type->key}-{$taxonomy->key}",
                ucfirst($plural)." of the page’s own term of {$taxonomy->label}",
                $items + [
                    'where' => [
                        'all' => [[
                            'field' => $taxonomy->key,
                            'test' => 'anyOf',
                            'value' => ['from' => 'page', 'take' => 'term'],
                            'below' => true,
                        ]],
                    ],
                    'order' => [['by' => 'title']],
                ],
            );
        }
        if ($type->taxonomies !== []) {
            $keys = array_map(strval(...), array_keys($type->taxonomies));
            $starts[] = self::start(
                "related-{$type->key}",
                ucfirst($plural).' related to the item being shown',
                $items + [
                    'where' => [
                        'all' => [
                            ['field' => 'id', 'test' => 'related', 'value' => $keys],
                            ['field' => 'id', 'test' => 'notThisOne'],
                        ],
                    ],
                    'order' => [
                        ['by' => 'sharedTerms', 'of' => $keys, 'direction' => 'down'],
                        ['by' => 'publish_at', 'direction' => 'down'],
                    ],
                    'page' => ['mode' => 'fixed', 'size' => 4],
                    'arrange' => self::grid(1, 2, 4, 4),
                ],
            );
        }
        $begins = array_values(
            array_filter($type->fields, fn (Field $field): bool => $field->family() === Family::Instant),
        )[0]
            ?? null;
        if ($begins !== null) {
            $starts[] = self::start(
                "upcoming-{$type->key}",
                "Upcoming {$plural}, soonest first",
                $items + [
                    'where' => ['all' => [['field' => $begins->key, 'test' => 'toCome']]],
                    'order' => [['by' => $begins->key]],
                ],
            );
        }
        $starts[] = self::start(
            "letters-{$type->key}",
            ucfirst($plural).' from A to Z',
            $items + [
                'headings' => ['by' => 'title'],
                'order' => [['by' => 'title']],
                'page' => ['mode' => 'fixed', 'size' => 200],
                'arrange' => ['as' => 'links'] + self::grid(1, 2, 3, 4),
            ],
        );
        $starts[] = self::start(
            "archive-{$type->key}",
            "An archive of {$plural} by month",
            [
                'source' => ['months' => [$type->key], 'by' => 'publish_at'],
                'card' => self::card([['part' => 'title']], [['part' => 'field', 'field' => 'count']]),
                'arrange' => ['as' => 'list'],
            ],
        );
        $starts[] = self::start(
            "spotlight-{$type->key}",
            "One of the {$plural} in the spotlight: the newest lead",
            $items + [
                'where' => ['all' => [['field' => 'lead', 'test' => 'yes']]],
                'order' => [['by' => 'publish_at', 'direction' => 'down']],
                'page' => ['mode' => 'fixed', 'size' => 1],
                'arrange' => ['as' => 'spotlight'],
            ],
        );

        return $starts;
    }

    /** @return list<array<string, mixed>> today lies inside the dates of the sale */
    private static function saleDates(Type $type): array
    {
        $rules = [];
        foreach (['sale_from' => ['past', 'current'], 'sale_until' => ['toCome']] as $key => $tests) {
            if (($type->fields[$key] ?? null)?->family() === Family::Date) {
                $rules[] = [
                    'any' => [
                        ['field' => $key, 'test' => 'empty'],
                        ...array_map(
                            fn (string $test): array => ['field' => $key, 'test' => $test] + (
                                $test === 'current' ? ['value' => 'day'] : []
                            ),
                            $tests,
                        ),
                    ],
                ];
            }
        }

        return $rules;
    }

    /**
     * @param  list<array<string, mixed>>  ...$lines
     * @return array<string, mixed>
     */
    private static function card(array ...$lines): array
    {
        return ['lines' => array_map(fn (array $parts): array => ['parts' => $parts], array_values($lines))];
    }

    /**
     * A grid with its columns at each width.
     *
     * @return array{as: string, columns: array<string, int>}
     */
    private static function grid(int $phone, int $tablet, int $laptop, int $desktop): array
    {
        return [
            'as' => 'grid',
            'columns' => ['phone' => $phone, 'tablet' => $tablet, 'laptop' => $laptop, 'desktop' => $desktop],
        ];
    }

    /**
     * @param  array<string, mixed>  $definition
     * @return array{key: string, words: string, finds: list<string>, definition: array<string, mixed>}
     */
    private static function start(string $key, string $words, array $definition): array
    {
        $kind = explode('-', $key)[0];

        // A new grid has 1, 2, 3 or 4 columns, so twelve records fill the last row at every width.
        return [
            'key' => $key,
            'words' => $words,
            'finds' => self::EVERYDAY[$kind] ?? [],
            'definition' => $definition + ['page' => ['mode' => 'numbered', 'size' => 12]],
        ];
    }
}
