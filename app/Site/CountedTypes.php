<?php

declare(strict_types=1);

namespace App\Site;

use App\Catalogue\CatalogueStore;
use App\Models\Module;
use App\Modules\PublishDefaults;
use App\Pages\PageQuery;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\Module as ModuleDefinition;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\PageDefinition;

/** When a module is published, adds to its source the types that the pages of its terms list. */
final readonly class CountedTypes implements PublishDefaults
{
    public function __construct(private PageQuery $pages, private CatalogueStore $catalogue)
    {
    }

    public function completed(ModuleDefinition $module): ModuleDefinition
    {
        $source = $module->source->forPublishing($this->listedFor(...));

        return $source === $module->source ? $module : (new ModuleReader($this->catalogue->catalogue()))->read(
            ['source' => $source->toArray()] + $module->toArray(),
        );
    }

    /** @return list<Type> what the pages of a taxonomy's terms list */
    private function listedFor(string $taxonomy): array
    {
        $types = [];
        foreach ($this->pages->withPlaceholder() as $stored) {
            $about = $stored->definition->about;
            if ($about?->kind === AboutKind::Term && $about->of[0] === $taxonomy) {
                $types += $this->listedOn($stored->definition);
            }
        }

        return array_values($types);
    }

    /** @return array<string, Type> by key */
    private function listedOn(PageDefinition $page): array
    {
        $modules = Module::query()->whereIn('key', $page->modules())->whereNull('removed_at')->whereNotNull('live');
        $types = [];
        foreach ($modules->get() as $row) {
            foreach ((array) ($row->live['source']['items'] ?? []) as $key) {
                $types[(string) $key] = $this->catalogue->catalogue()->type((string) $key);
            }
        }

        return array_filter($types);
    }
}
