<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Catalogue\CatalogueStore;
use App\Listing\Cache\CacheExpiry;
use App\Listing\VisibleItems;
use App\Modules\ModuleStore;
use App\Pages\PageQuery;
use App\Pages\SiteDefinitionStore;
use App\Pages\StoredPage;
use App\Site\Address\RecordAddresses;
use App\Site\Listings\VisitorListings;
use App\Site\SitePages;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Menu;
use Wellspring\Core\Page\Menu\MenuDefinition;
use Wellspring\Core\Page\Menu\MenuEntry;
use Wellspring\Core\Page\Menu\MenuResolver;
use Wellspring\Core\Page\Menu\MenuTarget;
use Wellspring\Core\Who\Audience;

/**
 * The entries of a menu that the viewer may see. Until a menu `main` is published, it lists the pages that define a
 * menu entry themselves.
 *
 * @implements BlockData<Menu>
 */
final readonly class MenuData implements BlockData
{
    public function __construct(
        private PageQuery $pages,
        private ModuleStore $modules,
        private VisitorListings $listings,
        private CatalogueStore $catalogue,
        private RecordAddresses $addresses,
        private CacheExpiry $expiry,
        private SiteSettings $site,
    ) {
    }

    public static function block(): string
    {
        return Menu::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $scene->dependencies->on("menu:{$block->menu}", 'pages');
        $menu = $scene->frame->menus[$block->menu] ?? null;
        $pages = match (true) {
            $menu !== null => $this->pages->some(self::named($menu->entries, MenuTarget::Page)),
            $block->menu === SiteDefinitionStore::MAIN => $this->pages->inMenus(),
            default => [],
        };
        $menu ??= new MenuDefinition($block->menu, array_map(fn (StoredPage $page): MenuEntry => new MenuEntry(
            MenuTarget::Page,
            [$page->definition->key],
            null,
            Audience::everyone(),
            [],
        ), $pages));
        $byKey = [];
        foreach ($pages as $page) {
            $byKey[$page->definition->key] = $page->definition;
            $scene->dependencies->expireWith($scene->context, $page->definition->schedule);
        }
        $entries = MenuResolver::show(
            $menu,
            $scene->address->path,
            $scene->context,
            function (MenuEntry $entry) use ($byKey, $scene): array {
                $page = $entry->target === MenuTarget::Page ? $byKey[$entry->named[0]] ?? null : null;

                return match ($entry->target) {
                    MenuTarget::Page => $page === null || $page->address->placeholder() !== null
                        || ! $page->schedule->admits($scene->context)
                        ? []
                        : [['label' => $page->menu ?? $page->title, 'address' => $this->site->addressFor(
                            $scene->context->viewer,
                            $page->key,
                            $page->address->pattern,
                        )]],
                    MenuTarget::Link => [['label' => (string) $entry->label, 'address' => $entry->named[0]]],
                    MenuTarget::Term => $this->term($entry->named[0], $entry->named[1] ?? '', $scene),
                    MenuTarget::Item => $this->item($entry->named[0], $entry->named[1] ?? '', $scene),
                    MenuTarget::Module => $this->records($entry->named[0], $scene),
                };
            },
        );

        return $entries === [] ? null : ['entries' => $entries, 'menu' => $block->menu];
    }

    /** @return list<array{label: string, address: string}> */
    private function term(string $taxonomy, string $slug, PageScene $scene): array
    {
        $scene->dependencies->on("taxonomy:{$taxonomy}");
        $term = ($this->catalogue->catalogue()->taxonomies[$taxonomy] ?? null)?->terms->find($slug);
        $address = $term === null ? null : $this->addresses->ofTerm($taxonomy)($slug);

        return $term === null || $address === null ? [] : [['label' => $term->name, 'address' => $address]];
    }

    /** @return list<array{label: string, address: string}> */
    private function item(string $key, string $slug, PageScene $scene): array
    {
        $scene->dependencies->on("type:{$key}");
        $type = $this->catalogue->catalogue()->type($key);
        $item = $type === null ? null : VisibleItems::of([$key], $scene->context)->where('slug', $slug)->first();
        $scene->dependencies->changesAt($this->expiry->ofItem($key, $slug, $scene->context));

        return $type === null || $item === null
            ? []
            : [['label' => $item->title, 'address' => SitePages::itemAddress($type, $slug)]];
    }

    /** @return list<array{label: string, address: string}> those of a module's records that have a page */
    private function records(string $key, PageScene $scene): array
    {
        $scene->dependencies->on("module:{$key}");
        $row = $this->modules->find($key);
        $module = $row === null ? null : $this->modules->live($row);
        if ($module === null) {
            return [];
        }
        // Menus do not depend on the visitor's choices.
        $context = $scene->context->with(choices: Choices::none());
        $listing = $this->listings->showAlone($module, $scene->address, $context, '1', $scene->dependencies);
        $addresses = $this->addresses->of($module->source, $listing->records);

        return array_values(array_filter(array_map(
            fn (Record $record): ?array => isset($addresses[(string) $record->key()])
                ? ['label' => $record->title, 'address' => $addresses[(string) $record->key()]]
                : null,
            $listing->records,
        )));
    }

    /**
     * @param  list<MenuEntry>  $entries
     * @return list<string> keys of what they, and those below them, lead to
     */
    private static function named(array $entries, MenuTarget $target): array
    {
        $named = [];
        foreach ($entries as $entry) {
            array_push(
                $named,
                ...$entry->target === $target ? [$entry->named[0]] : [],
                ...self::named($entry->entries, $target),
            );
        }

        return $named;
    }
}
