<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Wellspring\Core\Choice\FilterControls;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Filter\ConditionReader;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Sort\Criteria;
use Wellspring\Core\Sort\Headings;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Who\Viewer;

/** Draws records and definitions from a seed: small values, so that ties, empties and matches are common. */
final class RandomModules
{
    private const WORDS = [
        'fern',
        'Férn',
        'FERN 2',
        'fern 10',
        'straße',
        'Strasse',
        'ø',
        'o',
        'Ångström',
        'zebra',
        '%',
        '_',
        'a\\b',
        "d'Or",
        '007',
        '7',
        'ﬁg',
        '日本',
        '🌿',
        'e',
        "e\u{301}",
        'É',
    ];

    /** People whom the tests make. */
    public const PEOPLE = ['ada@example.org', 'bo@example.org', 'cy@example.org'];

    /** Around clock changes, ends of months and years, and a plain noon. */
    private const INSTANTS = [
        '2026-01-01T00:00:00Z',
        '2026-02-28T23:30:00Z',
        '2026-03-28T23:59:59Z',
        '2026-03-29T00:59:59Z',
        '2026-03-29T01:00:00Z',
        '2026-03-29T22:59:59Z',
        '2026-05-31T23:00:00Z',
        '2026-06-01T12:00:00Z',
        '2026-06-01T12:00:01Z',
        '2025-12-31T23:59:59Z',
        '2025-10-26T00:30:00Z',
        '2025-10-26T01:30:00Z',
    ];

    private Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /** @return array<string, mixed> an item's values for ItemReader; about a third of everything is missing */
    public function plant(int $n): array
    {
        $values = [
            'slug' => "plant-{$n}",
            'title' => $this->words(),
            'status' => $this->one(['published', 'published', 'published', 'published', 'draft']),
            'publish_at' => $this->instant(),
            'expire_at' => $this->chance(80) ? null : '2027-01-01T00:00:00Z',
            'audience' => $this->one([
                ['everyone'], ['everyone'], ['everyone'], ['members'], ['signed-out'], ['group:gardeners'],
                ['group:journal', 'signed-out'],
            ]),
            'lead' => $this->chance(20),
            'text' => $this->maybe(
                fn (): string => $this->one([
                    '<p>'.$this->words().'</p>',
                    '<p> </p>',
                    '<p><img src="/a.webp"></p>',
                    $this->words(),
                ]),
            ),
            'price' => $this->maybe($this->number(...)),
            'height' => $this->maybe($this->number(...)),
            'nickname' => $this->maybe($this->words(...)),
            'story' => $this->maybe(fn (): string => '<p>'.$this->words().' <b>'.$this->words().'</b></p>'),
            'light' => $this->maybe(fn (): string => $this->one(['sun', 'half-shade', 'shade'])),
            'uses' => $this->maybe(fn (): array => $this->some(['pot', 'hedge', 'cut'])),
            'hardy' => $this->maybe(fn (): bool => $this->chance(50)),
            'sown' => $this->maybe(
                fn (): string => $this->one(['2026-03-29', '2026-02-28', '2024-02-29', '1999-12-31']),
            ),
            'watered' => $this->maybe($this->instant(...)),
            'shots' => $this->maybe(fn (): array => $this->some(['a.webp', 'b-2.webp', 'c.webp'])),
            'leaflet' => $this->maybe(fn (): string => 'leaflet.pdf'),
            'film' => $this->maybe(fn (): string => $this->one(['https://example.org/film?v=1&t=2', 'film.mp4'])),
            'spot' => $this->maybe(
                fn (): array => $this->one([
                    ['address' => 'Mill Lane 3, Quillmoor'],
                    ['latitude' => 50.6105, 'longitude' => -3.5219],
                    ['address' => 'a@b @ c', 'latitude' => 0, 'longitude' => -180],
                    ['address' => 'Bed @ 5, 7'],
                    ['address' => 'ends @'],
                    ['address' => $this->words().'x'],
                ]),
            ),
            'source' => $this->maybe(
                fn (): string => $this->one([
                    'https://example.org/a%7Cb,c;d',
                    '/shop',
                    'mailto:fern@example.org',
                    'tel:+44-1234',
                ]),
            ),
            'bloom' => $this->maybe(fn (): string => $this->one(['#ff0000', '#1f6470'])),
            'open' => $this->maybe(
                fn (): array => $this->one([
                    [
                        'mon' => [['09:00', '12:30'], ['13:30', '17:00']],
                        'tue' => [['09:00', '12:30'], ['13:30', '17:00']],
                        'sun' => [['00:00', '24:00']],
                    ],
                    ['wed' => [['10:00', '16:00']], 'sat' => [['10:00', '16:00']]],
                ]),
            ),
            'sale_price' => $this->maybe($this->number(...)),
            'sale_from' => $this->maybe(fn (): string => $this->one(['2026-03-28', '2026-03-29', '2026-06-01'])),
            'sale_until' => $this->maybe(
                fn (): string => $this->one(['2026-03-28', '2026-03-29', '2026-06-01', '2026-12-31']),
            ),
            'rating' => $this->maybe(fn (): int|float => $this->one([1, 2.5, 3.3, 4.6, 5])),
            'ratings' => $this->maybe(fn (): int => $this->one([0, 1, 2, 7, 300])),
            'friends' => $this->maybe(
                fn (): array => array_values(
                    array_unique($this->list(1, 3, fn (): string => 'plant-'.$this->random->getInt(1, max(1, $n - 1)))),
                ),
            ),
            'keeper' => $this->maybe(fn (): string => $this->one(self::PEOPLE)),
            'author' => $this->maybe(fn (): string => $this->one(self::PEOPLE)),
            'groups' => $this->maybe(
                fn (): array => $this->some(['perennials', 'ferns', 'tree-ferns', 'hostas', 'shrubs']),
            ),
        ];
        if ($this->chance(5)) {
            $values['expire_at'] = '2026-05-31T00:00:00Z';
            $values['publish_at'] = '2026-01-01T00:00:00Z';
        }

        return $values;
    }

    /** @return array<string, mixed> a tool's values, likewise */
    public function tool(int $n): array
    {
        $plant = $this->plant($n);

        return [
            'slug' => $n % 4 === 0 ? "plant-{$n}" : "tool-{$n}",
            'light' => $this->maybe(fn (): string => $this->one(['sun', 'heavy'])),
            'height' => $this->maybe($this->words(...)),
        ]
            + array_intersect_key(
                $plant,
                array_flip([
                    'title',
                    'status',
                    'publish_at',
                    'expire_at',
                    'audience',
                    'lead',
                    'text',
                    'price',
                    'nickname',
                    'story',
                    'hardy',
                    'watered',
                    'friends',
                    'groups',
                    'author',
                ]),
            );
    }

    /** @return list<string> a day and what may stand around it, as views are counted */
    public function days(): array
    {
        return $this->list(
            0,
            4,
            fn (): string => $this->one([
                '2026-03-01',
                '2026-03-27',
                '2026-03-28',
                '2026-03-29',
                '2026-05-01',
                '2026-05-02',
                '2026-05-31',
                '2026-06-01',
            ]),
        );
    }

    public function number(): int|float
    {
        return $this->one([0, -1, 1, 2, 2.5, 4.2, 4.20000001, 10, 1e15, -0.1, 0.1, 0.30000000000000004]);
    }

    private function viewer(): Viewer
    {
        return match ($this->one(['anyone', 'signed-out', 'member', 'member'])) {
            'anyone' => Viewer::anyone(),
            'signed-out' => Viewer::signedOut(),
            default => Viewer::member(
                $this->maybe(fn (): string => $this->one(self::PEOPLE)),
                $this->one([[], ['gardeners'], ['gardeners', 'journal']]),
            ),
        };
    }

    /**
     * When, for whom and on which page a module runs, and what the visitor has chosen.
     *
     * @param  list<Record>  $records
     * @param  array<string, mixed>  $rules  the module's
     */
    public function context(array $records, Calendar $calendar, Language $language, array $rules = []): Context
    {
        $term = $this->chance(50)
            ? $this->one([
                ['taxonomy' => 'groups', 'slug' => $this->one(['perennials', 'ferns', 'shrubs'])],
                ['taxonomy' => 'soils', 'slug' => 'ferns'],
            ])
            : null;

        return new Context(
            new \DateTimeImmutable($this->one(self::INSTANTS)),
            $this->viewer(),
            $calendar,
            new PageSubject(
                $term === null ? $this->maybe(fn (): Record => $this->one($records)) : null,
                $term,
                $this->maybe(fn (): string => $this->one(['2026-03', '2026', '2026-03-29', '2025-12'])),
                $this->maybe(fn (): string => $this->one(self::PEOPLE)),
            ),
            $language,
            Choices::fromAddress(($this->chance(70) ? ['q' => $this->looked()] : []) + $this->choices($rules)),
        );
    }

    /**
     * @param  bool  $plants  only plants, whatever may be drawn from
     * @return array<string, mixed> a definition's rules over `plant-1` … `plant-$count`
     */
    public function rules(int $count, bool $plants = false): array
    {
        $catalogue = Garden::catalogue();
        $base = [
            'format' => 1,
            'key' => 'drawn',
            'name' => 'Drawn',
            'source' => $plants ? ['items' => ['plant']] : $this->one([
                ['items' => ['plant']],
                ['items' => ['plant']],
                ['items' => ['plant']],
                ['items' => ['plant']],
                ['items' => ['tool']],
                ['items' => ['plant', 'tool']],
                ['items' => ['tool', 'plant']],
                ['terms' => 'groups'],
                ['terms' => 'groups', 'under' => 'perennials'],
                ['terms' => 'groups', 'used' => true],
                ['terms' => 'groups', 'counting' => ['tool']],
                ['people' => ['groups' => ['gardeners']]],
                ['people' => ['groups' => []]],
                ['months' => ['plant'], 'by' => 'publish_at'],
                ['years' => ['plant', 'tool'], 'by' => 'watered'],
                ['months' => ['plant'], 'by' => 'sown'],
                ['page' => 'item'],
                ['page' => 'item', 'type' => 'plant'],
                ['page' => 'term', 'of' => 'groups'],
                ['page' => 'term'],
                ['one' => 'plant-'.$this->random->getInt(1, $count), 'type' => 'plant'],
            ]),
        ];
        $source = (new ModuleReader($catalogue))->read($base)->source;
        $fields = array_filter(
            $catalogue->askable($source->type()),
            fn (Field $field): bool => ! in_array($field->ownKey(), ['created_at', 'updated_at'], true),
        );
        $orders = array_values(array_diff(array_keys(Criteria::offered($source)), ['created_at', 'updated_at']));
        $headed = array_filter(
            $source->type()->reachable,
            fn (Field $field): bool => Headings::suits($field->family()) && ! in_array(
                $field->key,
                ['created_at', 'updated_at'],
                true,
            ),
        );

        return [
            ...$base,
            'order' => $this->list(0, 3, fn (): array => [
                'by' => $by = $this->one($orders),
                'direction' => $this->one(['up', 'down']),
                'empty' => $this->one(['last', 'first']),
            ] + match ($by) {
                'popularity' => ['days' => $this->one([1, 2, 30, 100])],
                'weightedRating' => ['confidence' => $this->one([0, 1, 5, 50])],
                'byHand' => $this->one([[], ['of' => 'groups', 'term' => 'ferns']]),
                'sharedTerms' => $this->one([[], ['of' => ['groups']]]),
                default => [],
            }),
            'leaveOut' => $this->slugs($count, 3),
            'pin' => $this->slugs($count, 4),
            'skip' => $this->one([0, 0, 0, 1, 3, 30]),
            'page' => [
                'mode' => $this->one(['numbered', 'numbered', 'more', 'fixed', 'olderNewer', 'continuous']),
                'size' => $this->random->getInt(1, 12),
            ],
            'card' => [
                'lines' => $this->list(
                    1,
                    3,
                    fn (): array => ['parts' => $this->list(1, 3, fn (): array => $this->part($source->type()))],
                ),
            ],
        ]
            + ($this->chance(85) ? ['where' => $this->group(1, $fields)] : [])
            + ($this->chance(30) ? ['atMost' => $this->random->getInt(1, 25)] : [])
            + (
                $this->chance(25) && $headed !== []
                    ? ['headings' => $this->headings($this->one(array_values($headed)))]
                    : []
            )
            + ($this->chance(50) ? ['offer' => $this->offer($fields, $orders)] : []);
    }

    /**
     * @param  array<array-key, Field>  $fields
     * @param  list<int|string>  $orders
     * @return array<string, mixed>
     */
    private function offer(array $fields, array $orders): array
    {
        $own = array_filter(
            $fields,
            fn (Field $field): bool => $field->through === null && FilterControls::suiting($field) !== [],
        );
        $filters = [];
        foreach ($own === [] ? [] : $this->some(array_keys($own)) as $key) {
            $as = $this->one(FilterControls::suiting($own[$key]));
            $filters[] = ['field' => $key, 'as' => $as]
                + (
                    FilterControls::all()[$as]->takesSeveral() && $own[$key]->family() !== Family::Choice
                        ? ['join' => $this->one(['any', 'all'])]
                        : []
                )
                + match ($as) {
                    'only' => ['rule' => $this->chance(50) ? $this->condition($own) : $this->group(3, $own)],
                    'near' => ['points' => [
                        ['key' => 'mill', 'name' => 'The mill', 'latitude' => 50.61, 'longitude' => -3.52],
                    ], 'distances' => [1, 20, 500]],
                    default => [],
                };
        }

        return [
            'key' => 'mine',
            'filters' => array_slice($filters, 0, 4),
            'orders' => [['key' => 'other', 'name' => 'Other', 'order' => [['by' => $this->one($orders)]]]],
            'sizes' => [2, 5, 7],
        ];
    }

    /**
     * @param  array<string, mixed>  $rules
     * @return array<string, string> parameters that answer the offer, some with what is not offered
     */
    public function choices(array $rules): array
    {
        $offer = $rules['offer'] ?? ['filters' => []];
        $chosen = $offer['filters'] === [] || $this->chance(30) ? [] : [
            'mine-sort' => $this->one(['other', 'other', 'none such']),
            'mine-size' => $this->one(['2', '5', '3', 'many']),
        ];
        foreach ($this->chance(80) ? $offer['filters'] : [] as ['field' => $field, 'as' => $as]) {
            $chosen["mine-{$field}"] = match ($as) {
                'range' => $this->one(['1..10', '2..', '..4.2', '-1..2', '10..1', 'some', '..']),
                'dates' => $this->one(['2026-03-01..2026-06-01', '2026-03-29..', '..2026-03-29', '2026-02-30..']),
                'yesNo' => $this->one(['yes', 'no', 'perhaps']),
                'only' => 'yes',
                'numbers' => $this->one(['1', '3', '4', '9', 'x', '01']),
                'letters' => $this->one(['f', 'o', 's', 'e', 'fern']),
                'near' => $this->one(['mill,1', 'mill,500', '50.7,-3.4,20', 'mill,7', 'nowhere,1', '91,0,20']),
                'search' => $this->looked(),
                default => implode(',', $this->some(
                    ['sun', 'shade', 'pot', 'hedge', 'perennials', 'ferns', 'shrubs', 'a', 'no such'],
                )),
            };
        }

        return $chosen;
    }

    /** @return array<string, string> */
    private function headings(Field $field): array
    {
        $isDay = $field->family() === Family::Date || $field->family() === Family::Instant;

        return ['by' => $field->key, 'direction' => $this->one(['up', 'down'])] + (
            $isDay ? ['per' => $this->one(['day', 'week', 'month', 'year'])] : []
        );
    }

    /**
     * @param  array<string, Field>  $fields
     * @return array<string, mixed>
     */
    private function group(int $depth, array $fields): array
    {
        $join = $depth === 1 ? $this->one(['all', 'all', 'all', 'any', 'none']) : $this->one(['all', 'any', 'none']);

        return [$join => $this->list(
            0,
            $depth === 1 ? 4 : 3,
            fn (): array => $depth < 4 && $this->chance(25) ? $this->group(
                $depth + 1,
                $fields,
            ) : $this->condition($fields),
        )]
            + ($depth > 1 && $this->chance(10) ? ['off' => true] : []);
    }

    /**
     * @param  array<string, Field>  $fields
     * @return array<string, mixed>
     */
    private function condition(array $fields): array
    {
        $field = $this->one(array_values($fields));
        $test = $this->one(Tests::for($field->family()));
        $asked = $this->chance(15) ? $this->asked($field, $test) : null;
        $value = $asked ?? ($test->wantsValue() ? $this->value($field, $test->key()) : null);

        return ['field' => $field->key, 'test' => $test->key()]
            + ($value === null ? [] : ['value' => $value])
            + ($field->family() === Family::Terms && $value !== null && $this->chance(60) ? ['below' => true] : [])
            + (
                $field->family() === Family::Words && $this->chance(60)
                    ? ['in' => $this->weights(array_map(strval(...), array_keys($field->choices)))]
                    : []
            )
            + (
                ($asked !== null || $field->family() === Family::Identity) && $this->chance(30)
                    ? ['whenMissing' => $this->one(['keepAll', 'keepNone'])]
                    : []
            )
            + ($this->chance(8) ? ['off' => true] : []);
    }

    private function value(Field $field, string $test): mixed
    {
        $word = fn (): string => mb_substr(
            $word = $this->one(self::WORDS),
            0,
            $this->random->getInt(1, mb_strlen($word)),
        );

        return match (true) {
            $field->family() === Family::Number => $test === 'between' ? $this->ends() : $this->number(),
            $field->family() === Family::Choice,
            $field->family() === Family::Choices => $this->some(
                array_map(
                    strval(...),
                    array_keys($field->choices),
                ) ?: throw new \LogicException('A choice has choices.'),
            ),
            $field->family() === Family::Terms => $this->some([
                'perennials',
                'ferns',
                'tree-ferns',
                'hostas',
                'shrubs',
            ]),
            $field->family() === Family::Items => $this->list(
                1,
                2,
                fn (): string => 'plant/plant-'.$this->random->getInt(1, 12),
            ),
            $field->family() === Family::Person => $this->some(self::PEOPLE),
            $field->family() === Family::Identity => ['groups'],
            $field->family() === Family::Words => $this->looked(),
            $test === 'inNext', $test === 'inLast' => [
                'amount' => $this->one([1, 2, 3, 24, 30, 90]),
                'unit' => $this->one([
                    ...$field->family() === Family::Instant ? ['minutes', 'hours'] : [],
                    'days',
                    'weeks',
                    'months',
                    'years',
                ]),
            ],
            $field->family() === Family::Place => [
                'latitude' => $this->one([50.61, -33, 50.7]),
                'longitude' => $this->one([-3.52, 151.2, -3.4]),
                'km' => $this->one([0, 1, 20.5, 20000]),
            ],
            in_array($test, ['current', 'previous', 'following'], true) => $this->one(['day', 'week', 'month', 'year']),
            $test === 'between' && ! in_array($field->family(), [Family::Text, Family::LongText], true) => $this->one([
                ['2026-03-29', '2026-03-29'],
                ['2025', '2026-03'],
                ['2026-01-01', '2026-06-01'],
                ['2026-03-28', '2026-04'],
            ]),
            in_array($test, ['on', 'before', 'after'], true) => $this->one([
                '2026-03-29',
                '2026-02-28',
                '2026-03',
                '2026',
                ...$field->family() === Family::Instant && $test !== 'on' ? ['2026-03-29T01:00:00Z'] : [],
            ]),
            $test === 'anyOf', $test === 'noneOf' => $this->list(1, 3, $word),
            default => $word(),
        };
    }

    /** @return array<string, mixed>|null */
    private function asked(Field $field, Test $test): ?array
    {
        $from = $this->one($test->valueOrigins($field) ?: ['nowhere']);
        if ($from === 'page') {
            $take = $this->one(ConditionReader::takes($field))->value;
            $own = $field->ownKey();

            return match (true) {
                $take !== 'item' || $field->family() === Family::Items && $this->chance(50) => [
                    'from' => 'page',
                    'take' => $take,
                ],
                isset(Garden::plant()->reachable[$own])
                    && Garden::plant()->reachable[$own]->family() === $field->family() => [
                        'from' => 'page',
                        'take' => 'item',
                        'of' => $own,
                    ],
                default => null,
            };
        }

        return match ($from) {
            'viewer' => ['from' => 'viewer'],
            'address' => ['from' => 'address', 'name' => 'q'],
            default => null,
        };
    }

    /**
     * @param  list<string>  $fields
     * @return array<string, int>
     */
    private function weights(array $fields): array
    {
        return array_map(
            fn (): int => $this->random->getInt(1, 10),
            array_flip($this->some($fields ?: throw new \LogicException('There is always a title.'))),
        );
    }

    /** What somebody looks for. */
    private function looked(): string
    {
        return implode(
            ' ',
            $this->list(
                1,
                2,
                fn (): string => $this->one([
                    'fern',
                    'ferns',
                    'Ferning',
                    'strasse',
                    'zeb*',
                    'f*',
                    '7',
                    '2*',
                    'o',
                    'angstrom',
                    'dor',
                    'd',
                    '日本',
                    'é',
                    'perennial',
                    'shr*',
                ]),
            ),
        );
    }

    /** @return array<string, mixed> */
    private function part(Type $type): array
    {
        $shown = array_values(
            array_intersect(
                [
                    'height',
                    'nickname',
                    'story',
                    'light',
                    'uses',
                    'hardy',
                    'sown',
                    'groups',
                    'lead',
                    'expire_at',
                    'friends',
                    'keeper',
                    'author',
                    'text',
                    'count',
                    'begins',
                    'place',
                ],
                array_keys($type->reachable),
            ),
        );
        $has = fn (string $key): bool => isset($type->reachable[$key]);
        $part = $this->one([
            ['part' => 'title'],
            ...isset($type->fields['picture']) ? [['part' => 'picture']] : [],
            ...isset($type->fields['price']) ? [['part' => 'price'], ['part' => 'price', 'badge' => 'Sale']] : [],
            ...$has('text') ? [['part' => 'excerpt', 'mark' => 'fern'], ['part' => 'excerpt', 'characters' => 10]] : [],
            ...isset($type->taxonomies['groups']) ? [['part' => 'terms', 'taxonomy' => 'groups', 'most' => 1]] : [],
            ...$has('sown') ? [['part' => 'date', 'field' => 'sown', 'format' => 'relative']] : [],
            ...$has('height') && $has('light')
                ? [['part' => 'link', 'text' => 'On', 'address' => '/a/{height}?l={light}']]
                : [],
            ...$has('hardy') ? [['part' => 'badge', 'text' => 'Hardy', 'when' => $this->badgeRule()]] : [],
            ...$shown === []
                ? []
                : [
                    ['part' => 'field', 'field' => $this->one($shown)],
                    ['part' => 'field', 'field' => $this->one($shown)],
                ],
        ]);

        return $part + match ($this->random->getInt(0, 3)) {
            0 => ['empty' => $this->emptyRule($shown, 0)],
            1 => ['empty' => ['do' => 'leaveOutLine']],
            default => [],
        };
    }

    /** @return array<string, mixed> */
    private function badgeRule(): array
    {
        return $this->one([
            ['field' => 'hardy', 'test' => 'yes'],
            ['field' => 'publish_at', 'test' => 'inLast', 'value' => ['amount' => 90, 'unit' => 'days']],
            ['none' => [['field' => 'hardy', 'test' => 'yes'], ['field' => 'lead', 'test' => 'yes']]],
        ]);
    }

    /**
     * @param  list<string>  $fields  that can show instead
     * @return array<string, mixed>
     */
    private function emptyRule(array $fields, int $depth): array
    {
        return $this->one([
            ['do' => 'leaveOutCard'], ['do' => 'leaveOutLine'], ['do' => 'say', 'text' => 'Nothing'],
            ['do' => 'standIn', 'picture' => 'fern.webp'], ['do' => 'keepSpace'],
            ...$fields === [] || $depth > 2 ? [] : array_fill(0, 3, ['do' => 'use', 'field' => $this->one($fields)]
                + ($this->chance(60) ? ['then' => $this->emptyRule($fields, $depth + 1)] : [])),
        ]);
    }

    /** @return array{int|float, int|float} */
    private function ends(): array
    {
        [$one, $other] = [$this->number(), $this->number()];

        return [min($one, $other), max($one, $other)];
    }

    private function words(): string
    {
        return implode(' ', $this->list(1, 2, fn (): string => $this->one(self::WORDS)));
    }

    private function instant(): string
    {
        return $this->one(self::INSTANTS);
    }

    /** @return list<string> */
    private function slugs(int $count, int $most): array
    {
        return array_values(
            array_unique($this->list(0, $most, fn (): string => 'plant-'.$this->random->getInt(1, $count + 2))),
        );
    }

    private function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $draw
     * @return T|null
     */
    private function maybe(\Closure $draw): mixed
    {
        return $this->chance(65) ? $draw() : null;
    }

    /**
     * @template T
     *
     * @param  array<T>  $of
     * @return T
     */
    private function one(array $of): mixed
    {
        $list = array_values($of);

        return $list[$this->random->getInt(0, count($list) - 1)];
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $of
     * @return non-empty-list<T>
     */
    private function some(array $of): array
    {
        return array_map(
            fn (int|string $key): mixed => $of[$key],
            $this->random->pickArrayKeys($of, $this->random->getInt(1, count($of))),
        );
    }

    /**
     * @template T
     *
     * @param  \Closure(): T  $draw
     * @return list<T>
     */
    private function list(int $least, int $most, \Closure $draw): array
    {
        $list = [];
        for ($i = $this->random->getInt($least, $most); $i > 0; $i--) {
            $list[] = $draw();
        }

        return $list;
    }
}
