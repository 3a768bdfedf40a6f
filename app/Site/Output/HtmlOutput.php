<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Models\Media;
use App\Site\ListingResult;
use App\Site\RecordAddresses;
use Illuminate\Contracts\View\Factory;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Wording\Format;

/** A listing as it stands on a page: the view site/module. */
final readonly class HtmlOutput implements Output
{
    public function __construct(private Factory $views, private RecordAddresses $addresses, private Format $format)
    {
    }

    public static function key(): string
    {
        return 'html';
    }

    public static function mediaType(): string
    {
        return 'text/html';
    }

    public function write(ListingResult $listing): string
    {
        return $this->views->make('site.module', ['shown' => $this->view($listing)])->render();
    }

    private function view(ListingResult $listing): ModuleView
    {
        [$module, $result] = [$listing->module, $listing->result];
        $addresses = $this->addresses->of($module->source, $listing->records);
        $cards = array_map(fn (Record $record): CardView => new CardView(
            $addresses[(string) $record->key()] ?? '',
            $module->card->lines($record, $this->format),
            $result->under[(string) $record->key()] ?? null,
        ), $listing->records);
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
            address: $listing->address,
            headings: $this->headings($listing),
            heading: $listing->heading,
            anchor: $module->key.($listing->time === 1 ? '' : "-{$listing->time}"),
        );
    }

    /** @return array<string, array{words: string, records: int}> by the heading's key */
    private function headings(ListingResult $listing): array
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
