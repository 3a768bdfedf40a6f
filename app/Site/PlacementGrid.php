<?php

declare(strict_types=1);

namespace App\Site;

use App\Modules\ModuleStore;
use App\Pages\PageQuery;
use App\Pages\SiteDefinitionStore;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Page\Frame\FrameDefinition;
use Wellspring\Core\Page\Frame\FrameSlot;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\Schedule;

/**
 * The grid of modules against pages: where each module stands, in a slot of the page or in the frame.
 *
 * @phpstan-type GridMarkShape array{
 *     page: string, how: 'own'|'frame', state: 'live'|'added'|'removed', words: string, admitted: bool,
 * }
 * @phpstan-type GridShape array{
 *     pages: list<array{id: int, key: string, title: string, address: string}>,
 *     modules: list<array{key: string, name: string, marks: list<GridMarkShape>}>,
 *     more: bool,
 * }
 */
final readonly class PlacementGrid
{
    /** The maximum numbers of pages and of modules in one answer. */
    private const PAGES = 40;

    private const MODULES = 100;

    public function __construct(
        private PageQuery $pages,
        private SiteDefinitionStore $frames,
        private ModuleStore $modules,
        private ModulePlaces $places,
    ) {
    }

    /**
     * A part of the live pages by address and modules by name. In a search for modules, the pages with one of them come
     * first. In a search for pages, the modules on one of them come first.
     *
     * @param  string  $moduleWords  a part of the name or the key; empty: all
     * @param  string  $pageWords  a part of the title or the address; empty: all
     * @param  Context  $context  the viewer and instant for which a mark says "admitted"
     * @return GridShape
     */
    public function part(string $moduleWords, string $pageWords, Context $context): array
    {
        $names = array_filter(
            $this->modules->names(),
            fn (string $name, string $key): bool => mb_stripos("{$name} {$key}", trim($moduleWords)) !== false,
            ARRAY_FILTER_USE_BOTH,
        );
        uasort($names, strnatcasecmp(...));
        $keys = array_map(strval(...), array_keys($names));
        $pages = $this->pages->liveLike($pageWords, trim($moduleWords) === '' ? [] : $keys, self::PAGES + 1);
        $frame = $this->frames->live()->frame;
        [$columns, $marks] = [[], []];
        foreach (array_slice($pages, 0, self::PAGES) as $stored) {
            $page = $stored->definition;
            $columns[] = [
                'id' => (int) $stored->id,
                'key' => $page->key,
                'title' => $page->title,
                'address' => $this->places->address($page->key, $page->address->pattern) ?? $page->address->pattern,
            ];
            foreach ([...self::on($page), ...$frame === null ? [] : self::around($frame, $page)] as $mark) {
                [$module, $how, $where, $schedules] = $mark;
                $marks[$module][] = [
                    'page' => $page->key,
                    'how' => $how,
                    'state' => 'live',
                    'words' => implode(', ', array_filter([$where, ...array_map(
                        fn (Schedule $schedule): string => $schedule->words(),
                        $schedules,
                    )])),
                    'admitted' => array_filter(
                        $schedules,
                        fn (Schedule $schedule): bool => ! $schedule->admits($context),
                    ) === [],
                ];
            }
        }
        $rows = array_map(
            fn (string $key): array => [
                'key' => $key, 'name' => $names[$key],
                'marks' => $this->withDrafts($key, $marks[$key] ?? [], array_column($columns, 'key')),
            ],
            $keys,
        );
        if (trim($pageWords) !== '') {
            usort($rows, fn (array $a, array $b): int => ($b['marks'] !== []) <=> ($a['marks'] !== []));
        }

        return [
            'pages' => $columns,
            'modules' => array_slice($rows, 0, self::MODULES),
            'more' => count($pages) > self::PAGES || count($rows) > self::MODULES,
        ];
    }

    /**
     * @param  list<GridMarkShape>  $marks  of the live versions
     * @param  list<string>  $pages  keys
     * @return list<GridMarkShape> with what the drafts of pages add and take away
     */
    private function withDrafts(string $module, array $marks, array $pages): array
    {
        foreach ($this->places->of($module) as $place) {
            $page = $place['page'];
            if ($place['how'] !== 'own' || $page === null || ! in_array($page, $pages, true)) {
                continue;
            }
            if ($place['state'] === 'added') {
                $marks[] = [
                    'page' => $page, 'how' => 'own', 'state' => 'added', 'admitted' => true,
                    'words' => 'on its draft, not published yet',
                ];
            }
            foreach ($place['state'] === 'removed' ? $marks : [] as $n => $mark) {
                if ($mark['page'] === $page && $mark['how'] === 'own') {
                    $marks[$n] = ['state' => 'removed', 'words' => "{$mark['words']}, no longer on its draft"] + $mark;
                }
            }
        }

        return $marks;
    }

    /** @return list<array{string, 'own', string, list<Schedule>}> modules on the page itself, and what has to admit */
    private static function on(PageDefinition $page): array
    {
        $on = [];
        foreach ($page->bands as $band) {
            foreach ($band->slots as $slot) {
                foreach ($slot->blocks as $placed) {
                    $schedules = [$page->schedule, $band->schedule, $slot->schedule, $placed->schedule];
                    foreach ($placed->block->modules() as $module) {
                        $on[] = [$module, 'own', 'on it', $schedules];
                    }
                }
            }
        }

        return $on;
    }

    /** @return list<array{string, 'frame', string, list<Schedule>}> the same of the frame around it */
    private static function around(FrameDefinition $frame, PageDefinition $page): array
    {
        $around = [];
        foreach (FrameSlot::cases() as $slot) {
            foreach ($frame->entries($slot) as $entry) {
                $shows = $entry->place->admits($page->address, $page->address->pattern);
                $where = implode(', ', array_filter([strtolower($slot->words()), $entry->place->words()]));
                foreach ($shows ? $entry->placed->block->modules() : [] as $module) {
                    $around[] = [$module, 'frame', $where, [$page->schedule, $entry->placed->schedule]];
                }
            }
        }

        return $around;
    }
}
