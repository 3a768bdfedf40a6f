<?php

declare(strict_types=1);

namespace App\Modules;

use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Filter\ValueLists;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Wording\Format;

/** Finds the titles of items and modules in definitions, so that sentences show titles instead of slugs. */
final readonly class ModuleTitles
{
    public function __construct(private ModuleStore $store)
    {
    }

    /** The format with the titles of everything that the modules refer to. */
    public function in(Format $format, Module ...$modules): Format
    {
        $items = [];
        $isOther = false;
        foreach ($modules as $module) {
            array_push($items, ...self::items($module));
            $isOther = $isOther || $module->whenNothing->module !== null || $module->follows !== null;
        }
        $titles = [];
        foreach ($isOther ? $this->store->names() : [] as $key => $name) {
            $titles["module/{$key}"] = $name;
        }
        $pairs = array_map(fn (string $name): array => explode('/', $name, 2) + ['', ''], array_unique($items));
        foreach ($pairs === [] ? [] : DB::table('items')
            ->whereIn('type_key', array_unique(array_column($pairs, 0)))
            ->whereIn('slug', array_unique(array_column($pairs, 1)))
            ->get(['type_key', 'slug', 'title']) as $row) {
            $titles["{$row->type_key}/{$row->slug}"] = (string) $row->title;
        }

        return $titles === [] ? $format : $format->withTitles($titles);
    }

    /** @return list<string> the items that the module names, as `type/slug` */
    private static function items(Module $module): array
    {
        $named = $module->source->namedItems();
        foreach ($module->where?->conditions() ?? [] as $condition) {
            if ($condition->field->family() === Family::Items && is_array($condition->value)) {
                array_push($named, ...ValueLists::texts($condition->value));
            }
        }

        return $named;
    }
}
