<?php

declare(strict_types=1);

namespace App\Site;

use App\Content\Records;
use App\Listing\Remembered;
use App\Models\Media;
use App\Models\Page;
use App\Modules\ModuleStore;
use Wellspring\Core\Card\CardMaker;
use Wellspring\Core\Card\MadePart;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Layout\Arrangement;
use Wellspring\Core\Layout\Width;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\Pages;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Who\Audience;

/** Makes ready what a visitor's page shows. */
final readonly class PageMaker
{
    public function __construct(
        private ModuleStore $modules,
        private Remembered $listing,
        private CardMaker $cards,
    ) {
    }

    /**
     * @param  array<string, string>  $asked  the page number asked for, by module key, as it stands in the address
     * @param  Module|null  $instead  shown in place of the module with its key, live or not: a preview
     * @return list<ShownModule>
     *
     * @throws NoSuchPage
     */
    public function modules(Page $page, \DateTimeImmutable $now, Audience $viewer, array $asked, ?Module $instead = null): array
    {
        $shown = [];
        foreach ($page->modules as $row) {
            $module = $row->key === $instead?->key ? $instead : $this->liveOrNone($row);
            if ($module !== null) {
                $shown[] = $this->module($module, $page->address, $now, $viewer, $asked[$module->key] ?? '1');
            }
        }

        return $shown;
    }

    /** @throws NoSuchPage */
    public function module(Module $module, string $address, \DateTimeImmutable $now, Audience $viewer, string $asked): ShownModule
    {
        $result = $this->listing->show($module, $now, $viewer, $asked);

        return $this->shown($module, $address, $result);
    }

    /** A module with the page of records that a run gave. */
    public function shown(Module $module, string $address, Result $result): ShownModule
    {
        $records = Records::byId($result->ids, $module->source);
        $cards = array_map(fn (Record $record): ShownCard => new ShownCard(
            self::itemAddress($module->source, $record->slug),
            $this->cards->make($module->card, $record),
        ), $records);
        $pages = new Pages(max(0, $result->total), $module->page->size);

        return new ShownModule(
            module: $module,
            cards: $cards,
            pictures: $this->pictures($cards),
            columns: array_combine(
                array_map(fn (Width $width): string => $width->value, Width::cases()),
                array_map($module->arrange->columnsAt(...), Width::cases()),
            ),
            isList: $module->arrange->as === Arrangement::List,
            page: $result->page,
            pages: $result->pages,
            numbers: $pages->numbers($result->page),
            address: $address,
        );
    }

    public static function itemAddress(Type $type, string $slug): string
    {
        return str_replace('{slug}', $slug, $type->address);
    }

    private function liveOrNone(\App\Models\Module $row): ?Module
    {
        try {
            return $this->modules->live($row);
        } catch (Refused $refused) {
            report(new \RuntimeException("The live module “{$row->key}” cannot be read and is left out: {$refused->getMessage()}"));

            return null;
        }
    }

    /**
     * @param  list<ShownCard>  $cards
     * @return array<string, Media> by name
     */
    private function pictures(array $cards): array
    {
        $names = [];
        foreach ($cards as $card) {
            foreach (array_merge(...$card->lines) as $made) {
                if (self::isPicture($made)) {
                    $names[] = $made->text;
                }
            }
        }

        return $names === [] ? [] : Media::query()->whereIn('name', $names)->get()->keyBy('name')->all();
    }

    private static function isPicture(MadePart $made): bool
    {
        return $made->part->kind->key() === 'picture' && ! $made->said;
    }
}
