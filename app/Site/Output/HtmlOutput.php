<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Site\Address\RecordAddresses;
use App\Site\KeptSafeHtml;
use App\Site\Listings\VisitorListing;
use Illuminate\Contracts\View\Factory;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Wording\Format;

/** A listing as HTML: the view site/module. */
final readonly class HtmlOutput implements Output
{
    /** A CLDR skeleton: the day with its weekday. */
    private const TODAY = 'yMMMMEEEEd';

    public function __construct(
        private Factory $views,
        private RecordAddresses $addresses,
        private Format $format,
        private KeptSafeHtml $html,
        private VideoPlayers $players,
    ) {
    }

    public static function key(): string
    {
        return 'html';
    }

    public static function mediaType(): string
    {
        return 'text/html';
    }

    public function write(VisitorListing $listing): string
    {
        return $this->views->make('site.module', ['shown' => $this->view($listing)])->render();
    }

    private function view(VisitorListing $listing): ModuleView
    {
        [$module, $result] = [$listing->module, $listing->result];
        $addresses = $this->addresses->of($module->source, $listing->records);
        $context = new CardContext($listing->context, $this->format);
        $cards = array_map(fn (Record $record): CardView => new CardView(
            $addresses[(string) $record->key()] ?? '',
            $module->shownCard->lines($record, $context),
            $result->under[(string) $record->key()] ?? null,
        ), $listing->records);
        $pages = new PageNumbers(max(0, $result->total), $module->page->size);

        return new ModuleView(
            module: $module,
            cards: $cards,
            assets: CardAssets::of(
                array_merge(...array_map(fn (CardView $card): array => $card->parts(), $cards)),
                $this->addresses,
                $this->players,
            ),
            columns: array_combine(
                array_map(fn (Width $width): string => $width->value, Width::cases()),
                array_map($module->arrange->columnsAt(...), Width::cases()),
            ),
            page: $result->page,
            pages: $result->pages,
            numbers: $pages->numbers($result->page),
            address: $listing->address,
            headings: $this->headings($listing),
            heading: $listing->heading,
            level: $listing->level,
            today: $this->today($listing),
            count: $listing->countWords($this->format),
            // The form of a listing appears only once on a page.
            choices: $module->follows !== null || $module->offer === null || $listing->time > 1
                ? null
                : new ChoicesView($listing, $listing->address, $this->format, self::anchor($listing)),
            nothing: $cards === [] ? $this->html->of($module->whenNothing->html) : '',
            anchor: self::anchor($listing),
        );
    }

    private static function anchor(VisitorListing $listing): string
    {
        return $listing->module->key.($listing->time === 1 ? '' : "-{$listing->time}");
    }

    /** @return array{day: string, words: string} */
    private function today(VisitorListing $listing): array
    {
        $today = $listing->context->today();

        return [
            'day' => $today,
            'words' => $listing->module->arrange->changesDaily()
                ? $this->format->dateAs($today, self::TODAY)
                : '',
        ];
    }

    /** @return array<string, array{words: string, records: int}> by the heading's key */
    private function headings(VisitorListing $listing): array
    {
        $headings = $listing->module->headings;
        if ($headings === null) {
            return [];
        }
        $said = [];
        foreach ($listing->result->headings as $key => $records) {
            $said[(string) $key] = ['words' => $headings->heading((string) $key, $this->format), 'records' => $records];
        }

        return $said;
    }
}
