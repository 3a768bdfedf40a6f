<?php

declare(strict_types=1);

namespace App\Pages;

use App\Modules\ModuleStore;
use Wellspring\Core\Page\FrameDefinition;
use Wellspring\Core\Page\FrameSlot;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PlacedBlock;

/**
 * Every module against every page: where it stands, in a slot of the page's own or in the frame around it.
 *
 * @phpstan-type GridMarkShape array{page: string, how: 'own'|'frame', words: string}
 * @phpstan-type GridShape array{
 *     pages: list<array{id: int, key: string, title: string, address: string}>,
 *     modules: list<array{key: string, name: string, marks: list<GridMarkShape>}>,
 * }
 */
final readonly class PlacementGrid
{
    public function __construct(
        private PageStore $pages,
        private SiteDefinitionStore $frames,
        private ModuleStore $modules,
    ) {
    }

    /** @return GridShape what is live; pages by address, modules by name */
    public function all(): array
    {
        $frame = $this->frames->live()->frame;
        [$columns, $marks] = [[], []];
        foreach ($this->pages->allLive() as $stored) {
            $page = $stored->definition;
            $columns[] = [
                'id' => (int) $stored->id,
                'key' => $page->key,
                'title' => $page->title,
                'address' => $page->address->pattern,
            ];
            foreach ($page->blocks() as $placed) {
                foreach ($placed->block->modules() as $module) {
                    $words = self::words('on it', $placed);
                    $marks[$module][] = ['page' => $page->key, 'how' => 'own', 'words' => $words];
                }
            }
            foreach ($frame === null ? [] : self::around($frame, $page) as [$module, $words]) {
                $marks[$module][] = ['page' => $page->key, 'how' => 'frame', 'words' => $words];
            }
        }
        $rows = [];
        foreach ($this->modules->names() as $key => $name) {
            $rows[] = ['key' => $key, 'name' => $name, 'marks' => $marks[$key] ?? []];
        }
        usort($rows, fn (array $a, array $b): int => strnatcasecmp($a['name'], $b['name']));
        usort($columns, fn (array $a, array $b): int => strcmp($a['address'], $b['address']));

        return ['pages' => $columns, 'modules' => $rows];
    }

    /** @return list<array{string, string}> the modules of the frame that show on the page, and where */
    private static function around(FrameDefinition $frame, PageDefinition $page): array
    {
        $around = [];
        foreach (FrameSlot::cases() as $slot) {
            foreach ($frame->entries($slot) as $entry) {
                $shows = $entry->place->admits($page->address, $page->address->pattern);
                $where = implode(', ', array_filter([strtolower($slot->words()), $entry->place->words()]));
                foreach ($shows ? $entry->placed->block->modules() : [] as $module) {
                    $around[] = [$module, self::words($where, $entry->placed)];
                }
            }
        }

        return $around;
    }

    private static function words(string $where, PlacedBlock $placed): string
    {
        return implode(', ', array_filter([$where, $placed->schedule->words()]));
    }
}
