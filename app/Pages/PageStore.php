<?php

declare(strict_types=1);

namespace App\Pages;

use App\Models\Module as ModuleRow;
use App\Models\Page;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\PageReader;

/** The site's pages as definitions: one band of one slot, in which the modules stand in their order. */
final readonly class PageStore
{
    /** The page at an address; null where there is none. */
    public function at(string $address): ?StoredPage
    {
        $row = Page::query()->with('modules')->where('address', $address)->first();

        return $row === null ? null : self::stored($row);
    }

    /** @param  Page  $row  with its modules */
    public static function stored(Page $row): StoredPage
    {
        $modules = [];
        foreach ($row->modules as $module) {
            $modules[$module->key] = $module;
        }
        $keys = array_map(fn (ModuleRow $module): string => $module->key, array_values($modules));

        $page = self::definition("page-{$row->id}", $row->address, $row->title, $row->intro, $keys);

        return new StoredPage($row->id, $page, $modules);
    }

    /** A page that is not stored, for a module that stands on none. */
    public static function plain(string $title, string $description, string $module): StoredPage
    {
        return new StoredPage(null, self::definition('plain', '/', $title, $description, [$module]), []);
    }

    /** @param  list<string>  $modules  keys */
    private static function definition(
        string $key,
        string $address,
        string $title,
        string $description,
        array $modules,
    ): PageDefinition {
        $blocks = array_map(fn (string $module): array => ['module' => $module], $modules);

        return (new PageReader(new Catalogue([])))->read([
            'format' => PageReader::FORMAT, 'key' => $key, 'address' => $address, 'title' => $title,
            ...trim($description) === '' ? [] : ['description' => $description],
            'bands' => [['key' => 'body', 'slots' => [['share' => PageReader::SHARES, 'blocks' => $blocks]]]],
        ]);
    }
}
