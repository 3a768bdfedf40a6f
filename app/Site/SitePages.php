<?php

declare(strict_types=1);

namespace App\Site;

use App\Catalogue\CatalogueStore;
use App\Listing\CachedListing;
use App\Listing\Sources;
use App\Models\Media;
use App\Models\Page;
use App\Modules\ModuleStore;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Wording\Format;

/** Makes ready what a visitor's page shows. */
final readonly class SitePages
{
    public function __construct(
        private ModuleStore $modules,
        private CachedListing $listing,
        private Sources $sources,
        private CatalogueStore $catalogue,
        private Format $format,
    ) {
    }

    /**
     * @param  array<string, string>  $asked  the page number asked for, by module key, as it stands in the address
     * @param  Module|null  $instead  shown in place of the module with its key, live or not: a preview
     * @return list<ModuleView>
     *
     * @throws NoSuchPage
     */
    public function modules(
        Page $page,
        PageAddress $address,
        Context $context,
        array $asked,
        ?Module $instead = null,
    ): array {
        $shown = [];
        foreach ($page->modules as $row) {
            $module = $row->key === $instead?->key ? $instead : $this->modules->live($row);
            if ($module !== null) {
                $shown[] = $this->module($module, $address, $context, $asked[$module->key] ?? '1');
            }
        }

        return $shown;
    }

    /** @throws NoSuchPage */
    public function module(Module $module, PageAddress $address, Context $context, string $asked): ModuleView
    {
        $result = $this->listing->show($module, $context, $asked);

        return $this->drawn(
            $module,
            $address,
            $result,
            $this->listing->records($module, $result->keys, self::asked($module), $context),
        );
    }

    /** A module with the page of records that a run gave: a preview, of which nothing is cached. */
    public function shown(Module $module, PageAddress $address, Context $context, Result $result): ModuleView
    {
        return $this->drawn(
            $module,
            $address,
            $result,
            $this->sources->records($module->source, $result->keys, self::asked($module), $context),
        );
    }

    /** @return list<Field> what its cards ask of the records */
    private static function asked(Module $module): array
    {
        return array_values(array_filter(
            array_map(fn (Part $part): ?Field => $part->field, $module->card->parts()),
        ));
    }

    /** @param  list<Record>  $records  in order */
    private function drawn(Module $module, PageAddress $address, Result $result, array $records): ModuleView
    {
        $types = $this->catalogue->catalogue()->types;
        $cards = array_map(fn (Record $record): CardView => new CardView(
            isset($types[$record->type]) ? self::itemAddress($types[$record->type], $record->slug) : '',
            $module->card->lines($record, $this->format),
            $result->under[(string) $record->key()] ?? null,
        ), $records);
        $pages = new PageNumbers(max(0, $result->total), $module->page->size);

        return new ModuleView(
            module: $module,
            cards: $cards,
            pictures: $this->pictures($cards),
            columns: array_combine(
                array_map(fn (Width $width): string => $width->value, Width::cases()),
                array_map($module->arrange->columnsAt(...), Width::cases()),
            ),
            page: $result->page,
            pages: $result->pages,
            numbers: $pages->numbers($result->page),
            address: $address,
            headings: $this->headings($module, $result),
            total: $result->total,
        );
    }

    /** @return array<string, array{words: string, records: int}> by the heading's key */
    private function headings(Module $module, Result $result): array
    {
        $headings = $module->headings;
        if ($headings === null) {
            return [];
        }
        $said = [];
        foreach ($result->headings as $key => $records) {
            $said[(string) $key] = ['words' => $headings->heading((string) $key, $this->format), 'records' => $records];
        }

        return $said;
    }

    public static function itemAddress(Type $type, string $slug): string
    {
        return str_replace('{slug}', $slug, $type->address);
    }

    /**
     * @param  list<CardView>  $cards
     * @return array<string, Media> by name
     */
    private function pictures(array $cards): array
    {
        $names = [];
        foreach ($cards as $card) {
            foreach ($card->parts() as $part) {
                if ($part->part->kind->showsPicture() && ! $part->said) {
                    $names[] = $part->text;
                }
            }
        }

        return $names === [] ? [] : Media::query()->whereIn('name', $names)->get()->keyBy('name')->all();
    }
}
