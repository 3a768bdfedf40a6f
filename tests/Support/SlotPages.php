<?php

declare(strict_types=1);

namespace Tests\Support;

/** Pages on which each arrangement stands in slots of many shares, on each ground. */
final class SlotPages
{
    public const WINDOWS = [320, 390, 768, 1280, 1920];

    /** Shares of the slots of each band. */
    public const BANDS = [[12], [9, 3], [4, 4, 4], [3, 3, 3, 3], [6, 6], [5, 7]];

    /** What each band stands on. */
    public const GROUNDS = ['paper', 'bed', 'ink', 'leaf', 'copper', 'picture'];

    public const ARRANGEMENTS = [
        'grid' => ['as' => 'grid', 'columns' => ['phone' => 2, 'tablet' => 4, 'laptop' => 4, 'desktop' => 6]],
        'masonry' => ['as' => 'masonry', 'columns' => ['phone' => 2, 'tablet' => 3, 'laptop' => 4, 'desktop' => 5]],
        'wall' => ['as' => 'wall', 'captions' => true],
        'links' => ['as' => 'links', 'columns' => ['phone' => 2, 'tablet' => 3, 'laptop' => 4, 'desktop' => 4]],
        'list' => ['as' => 'list', 'picture' => 'left'],
        'spotlight' => ['as' => 'spotlight', 'picture' => 'left'],
        'slideshow' => ['as' => 'slideshow'],
        'ticker' => ['as' => 'ticker'],
        'table' => ['as' => 'table'],
    ];

    /**
     * @return array<string, array{module: array<string, mixed>, page: array<string, mixed>}> by arrangement, without
     *   their formats
     */
    public static function all(): array
    {
        $all = [];
        foreach (self::ARRANGEMENTS as $key => $arrange) {
            $all[$key] = ['module' => self::module($key, $arrange), 'page' => self::page($key)];
        }

        return $all;
    }

    /** @return list<string> the addresses of the pages */
    public static function paths(): array
    {
        return array_map(fn (string $key): string => "/in-slots/{$key}", array_keys(self::ARRANGEMENTS));
    }

    /** What a script measures on such a page; see there. */
    public static function script(): string
    {
        return (string) file_get_contents(__DIR__.'/measure-slots.js');
    }

    /** @return array<string, string> */
    public static function ground(string $name): array
    {
        return $name === 'picture' ? ['picture' => 'group-ferns.webp'] : ['colour' => $name];
    }

    /**
     * @param  array<string, mixed>  $arrange
     * @return array<string, mixed>
     */
    private static function module(string $key, array $arrange): array
    {
        return [
            'key' => "in-slots-{$key}", 'name' => ucfirst($key), 'source' => ['items' => ['product']],
            'order' => [['by' => 'title']], 'page' => ['mode' => 'fixed', 'size' => 8], 'arrange' => $arrange,
            'card' => ['lines' => [
                ['parts' => [['part' => 'picture']]], ['parts' => [['part' => 'title']]],
                ['parts' => [
                    ['part' => 'price'], ['part' => 'field', 'field' => 'height'],
                    ['part' => 'terms', 'taxonomy' => 'groups'],
                ]],
            ]],
        ];
    }

    /** @return array<string, mixed> */
    private static function page(string $key): array
    {
        return [
            'key' => "in-slots-{$key}", 'address' => "/in-slots/{$key}", 'title' => ucfirst($key),
            'bands' => array_map(fn (array $shares, int $n): array => [
                'key' => "band-{$n}", 'ground' => self::ground(self::GROUNDS[$n]),
                'slots' => array_map(fn (int $share): array => [
                    'share' => $share, 'blocks' => [['module' => "in-slots-{$key}", 'heading' => 'In its slot']],
                ], $shares),
            ], self::BANDS, array_keys(self::BANDS)),
        ];
    }
}
