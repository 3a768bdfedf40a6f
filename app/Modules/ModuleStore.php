<?php

declare(strict_types=1);

namespace App\Modules;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Content\StaleWrite;
use App\Database\FreeName;
use App\Enums\AuditAction;
use App\Listing\ContextFactory;
use App\Listing\Sources;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Text\Slug;

/** Stores modules: their drafts, their live versions, and their places. */
final readonly class ModuleStore
{
    /** Maximum number of stored faults of a draft; the latest are kept. */
    private const FAULTS = 50;

    public function __construct(
        private CatalogueStore $catalogue,
        private ModuleVersions $versions,
        private Sources $sources,
        private ContextFactory $contexts,
        private PublishDefaults $defaults,
    ) {
    }

    public function find(string $key): ?ModuleRow
    {
        return ModuleRow::query()->where('key', $key)->whereNull('removed_at')->first();
    }

    /** @return Collection<int, ModuleRow> all that are not removed */
    public function all(): Collection
    {
        return ModuleRow::query()->with(['pages', 'user:id,name'])->whereNull('removed_at')->orderBy('key')->get();
    }

    /**
     * @param  list<string>  $keys
     * @return Collection<int, ModuleRow> without those that are not there
     */
    public function some(array $keys): Collection
    {
        return ModuleRow::query()->whereIn('key', $keys)->whereNull('removed_at')->orderBy('key')->get();
    }

    /**
     * @param  list<string>  $keys
     * @return array<string, string> why visitors do not see a module, by the keys of those that are not live
     */
    public function unseen(array $keys): array
    {
        $unseen = [];
        foreach ($this->some($keys) as $row) {
            if ($row->live === null) {
                $unseen[$row->key] = 'not published yet';
            } elseif ($row->off) {
                $unseen[$row->key] = 'switched off';
            }
        }

        return $unseen;
    }

    /**
     * @param  list<string>|null  $keys  null: all modules
     * @return array<string, string> names by key
     */
    public function names(?array $keys = null): array
    {
        $rows = DB::table('modules')->whereNull('removed_at');
        $keys === null || $rows->whereIn('key', $keys);
        $names = [];
        foreach ($rows->selectRaw("key, coalesce(draft ->> 'name', key) as name")->get() as $row) {
            $names[(string) $row->key] = (string) $row->name;
        }

        return $names;
    }

    public function reader(): ModuleReader
    {
        return new ModuleReader($this->catalogue->catalogue());
    }

    /** @return list<string> keys of the modules whose draft or live definition names the term */
    public function naming(string $taxonomy, string $slug): array
    {
        $reader = $this->reader();
        $names = function (mixed $definition) use ($reader, $taxonomy, $slug): bool {
            try {
                return in_array(
                    ['taxonomy' => $taxonomy, 'slug' => $slug],
                    $reader->salvage($definition)->module->terms(),
                    true,
                );
            } catch (Refused) {
                return false;
            }
        };
        $rows = ModuleRow::query()->whereNull('removed_at')->orderBy('key')->get();

        return array_values(
            $rows->filter(fn (ModuleRow $row): bool => $names($row->draft) || $row->live !== null && $names($row->live))
                ->map(fn (ModuleRow $row): string => $row->key)
                ->all(),
        );
    }

    /** @throws Refused */
    public function read(mixed $definition): Module
    {
        return $this->reader()->read($definition);
    }

    /** The live version, or the last valid one; null if nothing is published or the module is off. */
    public function live(ModuleRow $row): ?Module
    {
        if ($row->live === null || $row->off || $row->removed_at !== null) {
            return null;
        }
        try {
            return $this->read($row->live);
        } catch (Refused $refused) {
            report(
                new \RuntimeException(
                    "The live module “{$row->key}” cannot be read; its last good version shows instead: "
                        ."{$refused->getMessage()}",
                ),
            );
        }
        foreach (DB::table('module_versions')->where(
            'module_id',
            $row->id,
        )->orderByDesc('number')->pluck('definition') as $definition) {
            try {
                return $this->read(json_decode(is_string($definition) ? $definition : '', true));
            } catch (Refused) {
                continue;
            }
        }

        return null;
    }

    /** @return list<Module> all that visitors get, by key */
    public function allLive(): array
    {
        $rows = ModuleRow::query()->whereNotNull('live')->where('off', false)->whereNull('removed_at')->orderBy('key');

        return array_values(array_filter(array_map($this->live(...), $rows->get()->all())));
    }

    /** @throws Refused */
    public function draft(ModuleRow $row): Module
    {
        return $this->read($row->draft);
    }

    /**
     * Publishes the draft and stores it as a version. A module that was off shows again.
     *
     * @param  int|null  $revision  the draft's revision; null: any
     *
     * @throws StaleWrite
     */
    public function publish(ModuleRow $row, ?int $revision = null): ModuleRow
    {
        return DB::transaction(function () use ($row, $revision): ModuleRow {
            $row = ModuleRow::query()->lockForUpdate()->findOrFail($row->id);
            StaleWrite::unless($row->revision, $revision);
            $module = $this->defaults->completed($this->draft($row));
            $row->draft = $module->toArray();
            $row->live = $module->toArray();
            $row->off = false;
            $row->published_at = now()->toImmutable();
            $row->save();
            $this->versions->add($row);
            AuditTrail::record(AuditAction::ModulePublished, $row->quotedName(), ['key' => $row->key]);
            event(new LiveModulesChanged);

            return $row;
        });
    }

    /** Creates the module or replaces its draft, by key. */
    public function apply(Module $module): ModuleRow
    {
        return DB::transaction(function () use ($module): ModuleRow {
            $new = new ModuleRow(['key' => $module->key, 'draft' => $module->toArray(), 'user_id' => Actor::id()]);
            if (FreeName::inserted($new, ['key'])) {
                return $new->refresh();
            }
            $row = ModuleRow::query()->where('key', $module->key)->lockForUpdate()->firstOrFail();
            $row->fill(['draft' => $module->toArray(), 'user_id' => Actor::id(), 'removed_at' => null]);
            $row->revision++;
            $row->save();

            return $row;
        });
    }

    /**
     * Creates a module with the name.
     *
     * @param  array<array-key, mixed>  $definition  its rules; format, key and name are added
     *
     * @throws Refused
     */
    public function create(string $name, array $definition): ModuleRow
    {
        $base = substr(Slug::from($name), 0, 56);
        $module = $this->read(['format' => ModuleReader::FORMAT, 'key' => $base, 'name' => $name] + $definition);
        $row = new ModuleRow(['draft' => $module->toArray(), 'user_id' => Actor::id()]);
        FreeName::insert(
            $row,
            'key',
            [],
            fn (int $n): string => $n === 1 ? $base : "{$base}-{$n}",
            named: fn (string $key): array => $row->draft = ['key' => $key] + $row->draft,
        );

        return $row->refresh();
    }

    /**
     * Saves a draft. Rules that became invalid earlier are kept until the manager corrects them, and can come back by
     * undo; new invalid rules are refused.
     *
     * @param  array<array-key, mixed>  $definition
     * @param  int  $revision  the revision that the change started from
     *
     * @throws Refused
     * @throws StaleWrite
     */
    public function saveDraft(ModuleRow $row, array $definition, int $revision): ModuleRow
    {
        $salvaged = $this->reader()->salvage($definition);
        if ($salvaged->module->key !== $row->key) {
            throw Refused::because('key', ProblemCode::WrongValue, "expected “{$row->key}”; a module keeps its key.");
        }
        $known = $this->faults($row);
        $new = array_values(
            array_filter(
                $salvaged->problems,
                fn (Problem $problem): bool => ! in_array(self::fault($problem), $known, true),
            ),
        );
        if ($new !== []) {
            throw new Refused($new);
        }

        return DB::transaction(function () use ($row, $definition, $salvaged, $known, $revision): ModuleRow {
            $row = ModuleRow::query()->lockForUpdate()->findOrFail($row->id);
            if ($row->revision !== $revision) {
                throw new StaleWrite($row->revision);
            }
            $row->draft = $salvaged->problems === [] ? $salvaged->module->toArray() : $definition;
            $row->faults = array_slice($known, -self::FAULTS);
            $row->revision++;
            $row->user_id = Actor::id();
            $row->save();

            return $row;
        });
    }

    /** @return list<string> what is wrong with the draft, or ever was */
    private function faults(ModuleRow $row): array
    {
        try {
            $problems = $this->reader()->salvage($row->draft)->problems;
        } catch (Refused $refused) {
            $problems = $refused->problems;
        }

        return array_values(array_unique([...$row->faults, ...array_map(self::fault(...), $problems)]));
    }

    /** A key that identifies a fault, whatever its place and its expected values. */
    private static function fault(Problem $problem): string
    {
        $said = $problem->variables === [] ? $problem->message : json_encode($problem->variables);

        return "{$problem->code->value}: {$said}";
    }

    /** A copy of the draft under a new name. */
    public function duplicate(ModuleRow $row): ModuleRow
    {
        $name = is_string($row->draft['name'] ?? null) ? $row->draft['name'] : $row->key;

        return $this->create(
            mb_substr("{$name} (copy)", 0, 200),
            array_diff_key($row->draft, ['format' => 0, 'key' => 0, 'name' => 0]),
        );
    }

    /** @return list<Problem> slugs that the module names and no item has; not faults, since content comes and goes */
    public function notes(Module $module): array
    {
        $named = [...$module->pin, ...$module->leaveOut];
        if ($named === []) {
            return [];
        }
        $known = ($module->source->recordsOf() === RecordsOf::Items
            ? Item::query()->whereIn('type_key', $module->source->typeKeys())
            : $this->sources->candidates($module->source, $this->contexts->now()))
            ->whereIn('items.slug', $named)
            ->pluck('items.slug')
            ->flip();
        $notes = [];
        foreach (['pin' => $module->pin, 'leaveOut' => $module->leaveOut] as $place => $slugs) {
            foreach ($slugs as $i => $slug) {
                if (! $known->has($slug)) {
                    $notes[] = new Problem(
                        "{$place}[{$i}]",
                        ProblemCode::UnknownItem,
                        "no {$module->type()->label} has the slug “{$slug}” at present.",
                    );
                }
            }
        }

        return $notes;
    }
}
