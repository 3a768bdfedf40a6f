<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Catalogue\CatalogueStore;
use App\Http\OpenApi\DefinitionSchemas;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Modules\ModuleStore;
use App\Modules\ModuleTitles;
use App\Site\ModulePlaces;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Wording\Format;

/**
 * A module as the manage screens take it.
 *
 * @phpstan-import-type DefinitionShape from DefinitionSchemas
 * @phpstan-import-type ModulePlaceShape from ModulePlaces
 *
 * @phpstan-type SitePageShape array{id: int, key: string, address: string, title: string}
 * @phpstan-type ModuleWholeShape array{
 *     key: string, savedAt: string, live: bool, off: bool, changed: bool, publishedAt: string|null,
 *     pages: list<SitePageShape>, places: list<ModulePlaceShape>, definition: DefinitionShape,
 *     liveDefinition: DefinitionShape|null, revision: int,
 * }
 * @phpstan-type NamedFilterShape array{name: string, label: string}
 * @phpstan-type ModuleSummaryShape array{
 *     key: string, savedAt: string, live: bool, off: bool, changed: bool, publishedAt: string|null,
 *     pages: list<SitePageShape>, places: list<ModulePlaceShape>, name: string, by: string|null,
 *     state: 'live'|'changed'|'draft'|'off'|'attention', problem: string|null, line: string|null, takes: list<string>,
 *     terms: list<array{key: string, name: string, taxonomy: string}>, filters: list<NamedFilterShape>,
 * }
 */
final readonly class ModuleResource
{
    public function __construct(
        private ModuleStore $store,
        private CatalogueStore $catalogue,
        private Format $format,
        private ModuleTitles $titles,
        private ModulePlaces $places,
    ) {
    }

    /** @return ModuleWholeShape with its definitions, for the bench */
    public function whole(ModuleRow $row): array
    {
        return [
            'key' => $row->key,
            'definition' => $row->draft,
            'liveDefinition' => $row->live,
            'revision' => $row->revision,
            'savedAt' => Iso8601::format($row->updated_at),
            'pages' => self::pages($row),
            'places' => $this->places->of($row->key),
        ] + self::standing($row);
    }

    /**
     * @param  list<string>  $faults  of its indexes, in words
     * @return ModuleSummaryShape as the list of modules has it: the sentence it reads as, what it takes and names, its
     *   state
     */
    public function summary(ModuleRow $row, array $faults = []): array
    {
        $summary = [
            'key' => $row->key,
            'name' => is_string($row->draft['name'] ?? null) ? $row->draft['name'] : $row->key,
            'savedAt' => Iso8601::format($row->updated_at),
            'by' => $row->user?->name,
            'pages' => self::pages($row),
            'places' => $this->places->of($row->key),
        ] + self::standing($row);
        $problems = [];
        $module = null;
        try {
            $salvaged = $this->store->reader()->salvage($row->draft);
            [$module, $problems] = [$salvaged->module, $salvaged->problems];
        } catch (Refused $refused) {
            $problems = $refused->problems;
        }
        $problems = [...array_map(strval(...), array_slice($problems, 0, 2)), ...$faults];

        return $summary + [
            'state' => $problems === [] ? self::state($row) : 'attention',
            'problem' => $problems === []
                ? null
                : implode(' ', $problems),
            'line' => $module === null ? null : Sentences::asLine($module, $this->titles->in($this->format, $module)),
            'takes' => $module === null ? [] : $this->takes($module),
            'terms' => $module === null ? [] : $this->terms($module),
            'filters' => array_map(
                fn (OfferedFilter $one): array => ['name' => $one->name, 'label' => $one->label()],
                $module->offer->filters ?? [],
            ),
        ];
    }

    /** @return list<array{key: string, name: string, taxonomy: string}> the terms that it names and the site has */
    private function terms(Module $module): array
    {
        $named = [];
        foreach ($module->terms() as ['taxonomy' => $key, 'slug' => $slug]) {
            $taxonomy = $this->catalogue->catalogue()->taxonomies[$key] ?? null;
            $term = $taxonomy?->terms->find($slug);
            if ($taxonomy !== null && $term !== null) {
                $named[] = ['key' => "{$key}/{$slug}", 'name' => $term->name, 'taxonomy' => $taxonomy->label];
            }
        }

        return $named;
    }

    /** @return list<string> what it draws from: the names of its types; of what is no item, what that is called */
    private function takes(Module $module): array
    {
        $types = $this->catalogue->catalogue()->types;

        return $module->source->recordsOf() === RecordsOf::Items
            ? array_map(fn (string $key): string => $types[$key]->plural, $module->source->typeKeys())
            : [$module->type()->plural];
    }

    /** @return 'live'|'changed'|'draft'|'off' */
    private static function state(ModuleRow $row): string
    {
        ['live' => $live, 'off' => $off, 'changed' => $changed] = self::standing($row);

        return match (true) {
            $off => 'off',
            ! $live => 'draft',
            $changed => 'changed',
            default => 'live',
        };
    }

    /** @return array{live: bool, off: bool, changed: bool, publishedAt: string|null} */
    private static function standing(ModuleRow $row): array
    {
        return [
            'live' => $row->live !== null,
            'off' => $row->off,
            'changed' => $row->live !== null && json_encode($row->live) !== json_encode($row->draft),
            'publishedAt' => $row->published_at === null ? null : Iso8601::format($row->published_at),
        ];
    }

    /** @return SitePageShape */
    public static function page(Page $page): array
    {
        return ['id' => $page->id, 'key' => $page->key, 'title' => $page->title, 'address' => $page->address];
    }

    /** @return list<SitePageShape> */
    private static function pages(ModuleRow $row): array
    {
        return array_values($row->loadMissing('pages')->pages->map(self::page(...))->all());
    }
}
