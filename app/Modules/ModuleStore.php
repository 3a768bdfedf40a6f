<?php

declare(strict_types=1);

namespace App\Modules;

use App\Content\CatalogueStore;
use App\Content\StaleWrite;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;

/** Keeps modules: their drafts, what is live, every version that was published, and where they stand. */
final readonly class ModuleStore
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public function find(string $key): ?ModuleRow
    {
        return ModuleRow::query()->where('key', $key)->first();
    }

    /** @throws Refused */
    public function read(mixed $definition): Module
    {
        return (new ModuleReader($this->catalogue->catalogue()))->read($definition);
    }

    /**
     * What visitors get; null while nothing is published.
     *
     * @throws Refused
     */
    public function live(ModuleRow $row): ?Module
    {
        return $row->live === null ? null : $this->read($row->live);
    }

    /** @throws Refused */
    public function draft(ModuleRow $row): Module
    {
        return $this->read($row->draft);
    }

    /** Creates the module or replaces its draft, by key. */
    public function apply(Module $module): ModuleRow
    {
        return DB::transaction(function () use ($module): ModuleRow {
            $row = ModuleRow::query()->where('key', $module->key)->lockForUpdate()->first() ?? new ModuleRow(['key' => $module->key]);
            if ($row->exists) {
                $row->revision++;
            } else {
                $row->revision = 1;
            }
            $row->draft = $module->toArray();
            $row->save();

            return $row;
        });
    }

    /** A new module of the name, drawing from the type, with nothing else said. */
    public function create(string $name, string $type): ModuleRow
    {
        $base = substr(Slug::from($name), 0, 56);
        for ($key = $base, $n = 2; $this->find($key) !== null; $n++) {
            $key = $base.'-'.$n;
        }

        return $this->apply($this->read(['format' => ModuleReader::FORMAT, 'key' => $key, 'name' => $name, 'source' => ['items' => [$type]]]));
    }

    /**
     * @param  int  $revision  the revision that the change started from
     *
     * @throws StaleWrite
     */
    public function saveDraft(ModuleRow $row, Module $module, int $revision): ModuleRow
    {
        if ($module->key !== $row->key) {
            throw Refused::because('key', 'wrongValue', "expected “{$row->key}”; a module keeps its key.");
        }

        return DB::transaction(function () use ($row, $module, $revision): ModuleRow {
            $row = ModuleRow::query()->lockForUpdate()->findOrFail($row->id);
            if ($row->revision !== $revision) {
                throw new StaleWrite($row->revision);
            }
            $row->draft = $module->toArray();
            $row->revision++;
            $row->save();

            return $row;
        });
    }

    /** Makes the draft live and keeps it as a version. */
    public function publish(ModuleRow $row, ?User $by = null): ModuleRow
    {
        return DB::transaction(function () use ($row, $by): ModuleRow {
            $row = ModuleRow::query()->lockForUpdate()->findOrFail($row->id);
            $module = $this->draft($row);
            $row->live = $module->toArray();
            $row->published_at = now()->toImmutable();
            $row->save();
            $number = DB::table('module_versions')->where('module_id', $row->id)->max('number');
            DB::table('module_versions')->insert([
                'module_id' => $row->id,
                'number' => (is_numeric($number) ? (int) $number : 0) + 1,
                'definition' => json_encode($row->live, JSON_THROW_ON_ERROR),
                'user_id' => $by?->id,
                'published_at' => $row->published_at,
            ]);

            return $row;
        });
    }

    /** @param  list<int>  $pages ids; the module goes to the end of the pages it did not stand on */
    public function place(ModuleRow $row, array $pages): void
    {
        DB::transaction(function () use ($row, $pages): void {
            $now = array_map(intval(...), $row->pages()->pluck('pages.id')->all());
            $row->pages()->detach(array_diff($now, $pages));
            foreach (Page::query()->findMany(array_diff($pages, $now)) as $page) {
                $last = DB::table('placements')->where('page_id', $page->id)->max('position');
                $row->pages()->attach($page->id, ['position' => (is_numeric($last) ? (int) $last : 0) + 1]);
            }
        });
    }

    /** @return list<Problem> slugs that the module names and no item has; not faults, since content comes and goes */
    public function notes(Module $module): array
    {
        $known = Item::query()->where('type_key', $module->source->key)->whereIn('slug', [...$module->pin, ...$module->leaveOut])->pluck('slug')->flip();
        $notes = [];
        foreach (['pin' => $module->pin, 'leaveOut' => $module->leaveOut] as $place => $slugs) {
            foreach ($slugs as $i => $slug) {
                if (! $known->has($slug)) {
                    $notes[] = new Problem("{$place}[{$i}]", 'unknownItem', "no {$module->source->label} has the slug “{$slug}” at present.");
                }
            }
        }

        return $notes;
    }
}
