<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Filter\Tests;

/** Draws records and definitions from a seed: small values, so that ties, empties and matches are common. */
final class RandomModules
{
    private const WORDS = ['fern', 'Férn', 'FERN 2', 'fern 10', 'straße', 'Strasse', 'ø', 'o', 'Ångström', 'zebra', '%', '_', 'a\\b', "d'Or", '007', '7', 'ﬁg', '日本', '🌿', 'e', "e\u{301}", 'É'];

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
            'audience' => $this->one(['everyone', 'everyone', 'everyone', 'members', 'signed-out']),
            'lead' => $this->chance(20),
            'text' => $this->maybe(fn (): string => $this->one(['<p>'.$this->words().'</p>', '<p> </p>', '<p><img src="/a.webp"></p>', $this->words()])),
            'price' => $this->maybe($this->number(...)),
            'height' => $this->maybe($this->number(...)),
            'nickname' => $this->maybe($this->words(...)),
            'story' => $this->maybe(fn (): string => '<p>'.$this->words().' <b>'.$this->words().'</b></p>'),
            'light' => $this->maybe(fn (): string => $this->one(['sun', 'half-shade', 'shade'])),
            'uses' => $this->maybe(fn (): array => $this->some(['pot', 'hedge', 'cut'])),
            'hardy' => $this->maybe(fn (): bool => $this->chance(50)),
            'sown' => $this->maybe(fn (): string => $this->one(['2026-03-29', '2026-02-28', '2024-02-29', '1999-12-31'])),
            'watered' => $this->maybe($this->instant(...)),
            'shots' => $this->maybe(fn (): array => $this->some(['a.webp', 'b-2.webp', 'c.webp'])),
            'leaflet' => $this->maybe(fn (): string => 'leaflet.pdf'),
            'film' => $this->maybe(fn (): string => $this->one(['https://example.org/film?v=1&t=2', 'film.mp4'])),
            'spot' => $this->maybe(fn (): array => $this->one([['address' => 'Mill Lane 3, Quillmoor'], ['latitude' => 50.6105, 'longitude' => -3.5219], ['address' => 'a@b @ c', 'latitude' => 0, 'longitude' => -180], ['address' => 'Bed @ 5, 7'], ['address' => 'ends @'], ['address' => $this->words().'x']])),
            'source' => $this->maybe(fn (): string => $this->one(['https://example.org/a%7Cb,c;d', '/shop', 'mailto:fern@example.org', 'tel:+44-1234'])),
            'bloom' => $this->maybe(fn (): string => $this->one(['#ff0000', '#1f6470'])),
            'open' => $this->maybe(fn (): array => $this->one([['mon' => [['09:00', '12:30'], ['13:30', '17:00']], 'tue' => [['09:00', '12:30'], ['13:30', '17:00']], 'sun' => [['00:00', '24:00']]], ['wed' => [['10:00', '16:00']], 'sat' => [['10:00', '16:00']]]])),
            'groups' => $this->maybe(fn (): array => $this->some(['perennials', 'ferns', 'tree-ferns', 'hostas', 'shrubs'])),
        ];
        if ($this->chance(5)) {
            $values['expire_at'] = '2026-05-31T00:00:00Z';
            $values['publish_at'] = '2026-01-01T00:00:00Z';
        }

        return $values;
    }

    /** @return array<string, mixed> a definition's rules over `plant-1` … `plant-$count` */
    public function rules(int $count): array
    {
        $fields = Garden::plant()->reachable;

        return [
            'format' => 1, 'key' => 'drawn', 'name' => 'Drawn', 'source' => ['items' => ['plant']],
            'order' => $this->list(0, 3, fn (): array => [
                'by' => $this->one(array_keys(array_filter($fields, fn (Field $field): bool => $field->family()->ordered() && ! in_array($field->key, ['created_at', 'updated_at'], true)))),
                'direction' => $this->one(['up', 'down']),
                'empty' => $this->one(['last', 'first']),
            ]),
            'leaveOut' => $this->slugs($count, 3),
            'pin' => $this->slugs($count, 4),
            'skip' => $this->one([0, 0, 0, 1, 3, 30]),
            'page' => ['mode' => 'numbered', 'size' => $this->random->getInt(1, 12)],
            'card' => ['lines' => $this->list(1, 3, fn (): array => ['parts' => $this->list(1, 3, $this->part(...))])],
        ]
            + ($this->chance(85) ? ['where' => $this->group(1, $fields)] : [])
            + ($this->chance(30) ? ['atMost' => $this->random->getInt(1, 25)] : []);
    }

    /**
     * @param  array<string, Field>  $fields
     * @return array<string, mixed>
     */
    private function group(int $depth, array $fields): array
    {
        $join = $depth === 1 ? $this->one(['all', 'all', 'all', 'any', 'none']) : $this->one(['all', 'any', 'none']);

        return [$join => $this->list(0, $depth === 1 ? 4 : 3, fn (): array => $depth < 4 && $this->chance(25) ? $this->group($depth + 1, $fields) : $this->condition($fields))]
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
        $value = match (true) {
            ! $test->wantsValue() => null,
            $field->family() === Family::Number => $test->key() === 'between' ? $this->ends() : $this->number(),
            $field->family() === Family::Choice => $this->some(['sun', 'half-shade', 'shade']),
            $field->family() === Family::Choices => $this->some(['pot', 'hedge', 'cut']),
            $field->family() === Family::Terms => $this->some(['perennials', 'ferns', 'tree-ferns', 'hostas', 'shrubs']),
            default => mb_substr($word = $this->one(self::WORDS), 0, $this->random->getInt(1, mb_strlen($word))),
        };

        return ['field' => $field->key, 'test' => $test->key()]
            + ($value === null ? [] : ['value' => $value])
            + ($field->family() === Family::Terms && $value !== null && $this->chance(60) ? ['below' => true] : [])
            + ($this->chance(8) ? ['off' => true] : []);
    }

    /** @return array<string, mixed> */
    private function part(): array
    {
        $part = $this->one([
            ['part' => 'title'], ['part' => 'picture'], ['part' => 'price'], ['part' => 'excerpt'],
            ['part' => 'field', 'field' => $this->one(['height', 'nickname', 'story', 'light', 'uses', 'hardy', 'sown', 'groups', 'lead', 'expire_at'])],
        ]);

        return $part + match ($this->random->getInt(0, 4)) {
            0 => ['empty' => ['do' => 'leaveOutLine']],
            1 => ['empty' => ['do' => 'say', 'text' => 'Nothing']],
            default => [],
        };
    }

    private function number(): int|float
    {
        return $this->one([0, -1, 1, 2, 2.5, 4.2, 4.20000001, 10, 1e15, -0.1, 0.1, 0.30000000000000004]);
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
        return $this->one(['2026-01-01T00:00:00Z', '2026-03-29T00:59:59Z', '2026-03-29T01:00:00Z', '2026-06-01T12:00:00Z', '2026-06-01T12:00:01Z', '2025-12-31T23:59:59Z']);
    }

    /** @return list<string> */
    private function slugs(int $count, int $most): array
    {
        return array_values(array_unique($this->list(0, $most, fn (): string => 'plant-'.$this->random->getInt(1, $count + 2))));
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
        return array_map(fn (int|string $key): mixed => $of[$key], $this->random->pickArrayKeys($of, $this->random->getInt(1, count($of))));
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
