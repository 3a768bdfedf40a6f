<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Site\Address\PageAddress;
use App\Site\Listings\VisitorListing;
use Wellspring\Core\Arrangement\MasonryColumns;
use Wellspring\Core\Arrangement\Table;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Choice\Offer;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\ColumnOrders;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block\ModuleBlock;
use Wellspring\Core\Paging\PageNumbers;

/** A module with everything that its view needs. */
final readonly class ModuleView
{
    private const PAGE = '-'.Offer::PAGE;

    /** The approximate height of a text line in a masonry, and the space below a card. A column's width is 1. */
    private const LINE = 0.09;

    private const GAP = 0.12;

    /**
     * @param  list<CardView>  $cards
     * @param  CardAssets  $assets  pictures, videos and links of the cards
     * @param  array<string, int>  $columns  by width
     * @param  list<int|null>  $numbers  page numbers below the listing; null marks a gap
     * @param  PageAddress  $address  of the page that it stands on
     * @param  array<string, array{words: string, records: int}>  $headings  by key, in order
     * @param  string|false  $heading  the heading; false: none
     * @param  int  $level  of that heading
     * @param  array{day: string, words: string}  $today  `2026-05-01`, and as the site writes it
     * @param  string  $nothing  the text for an empty listing as safe HTML
     * @param  string  $count  the text above the records; empty if there is none
     * @param  ChoicesView|null  $choices  what visitors can choose; null if nothing, or if they choose elsewhere
     * @param  string  $anchor  its id in the page: the module's key, or another if the module appears again
     */
    public function __construct(
        public BoundModule $module,
        public array $cards,
        public CardAssets $assets,
        public array $columns,
        public int $page,
        public int $pages,
        public array $numbers,
        public PageAddress $address,
        public array $headings = [],
        public string|false $heading = false,
        public int $level = ModuleBlock::LEVEL,
        public string $anchor = '',
        public array $today = ['day' => '', 'words' => ''],
        public string $nothing = '',
        public string $count = '',
        public ?ChoicesView $choices = null,
    ) {
    }

    /** For the links to the listing's pages only. */
    public static function ofPages(VisitorListing $listing, PageNumbers $pages, PageAddress $address): self
    {
        $page = $listing->result->page;

        return new self(
            $listing->module,
            [],
            CardAssets::none(),
            [],
            $page,
            $pages->count,
            $pages->numbers($page),
            $address,
            anchor: 'found',
        );
    }

    /**
     * The cards by heading; all in one group if there are no headings.
     *
     * @return list<array{heading: array{words: string, records: int}|null, cards: list<CardView>}>
     */
    public function groups(): array
    {
        $groups = [];
        foreach ($this->cards as $card) {
            $last = array_key_last($groups);
            if ($last !== null && $groups[$last]['key'] === $card->heading) {
                $groups[$last]['cards'][] = $card;
            } else {
                $groups[] = [
                    'key' => $card->heading,
                    'heading' => $card->heading === null ? null : $this->headings[$card->heading] ?? null,
                    'cards' => [$card],
                ];
            }
        }

        return array_map(
            fn (array $group): array => ['heading' => $group['heading'], 'cards' => $group['cards']],
            $groups,
        );
    }

    /** The `sizes` attribute of its pictures. */
    public function pictureSizes(): string
    {
        $share = fn (Width $width): string => $this->module->arrange->pictureShareAt($width).'vw';

        return implode(', ', [
            "(min-width: 1440px) {$share(Width::Desktop)}",
            "(min-width: 1024px) {$share(Width::Laptop)}",
            "(min-width: 640px) {$share(Width::Tablet)}",
            $share(Width::Phone),
        ]);
    }

    /** @return list<string> classes of resources/css/generate.mjs: how many columns stand at each width */
    public function columnClasses(): array
    {
        return array_map(
            fn (string $width, int $columns): string => "{$width}-{$columns}",
            array_keys($this->columns),
            $this->columns,
        );
    }

    /** @return list<string> the classes of the list: its arrangement, what that says, and its columns */
    public function listClasses(): array
    {
        $arrange = $this->module->arrange;

        return ['cards', 'as-'.$arrange::key(), ...$arrange->classes(), ...$this->columnClasses()];
    }

    /**
     * The columns of a table: one for each part of the card.
     *
     * @return list<array{
     *     part: Part, label: string, hidden: bool, sorted: 'ascending'|'descending'|null, address: string|null,
     * }> hidden: the label is for screen readers only; the address sorts by the column, or reverses the order
     */
    public function tableColumns(): array
    {
        $chosen = $this->module->chosen->order?->key;
        $isSortable = $this->module->arrange instanceof Table && $this->module->arrange->isSortable();

        return array_map(function (Part $part) use ($chosen, $isSortable): array {
            $key = $isSortable ? ColumnOrders::key($part, $this->module->type()) : null;

            return [
                'part' => $part,
                'label' => ColumnOrders::label($part),
                'hidden' => $part->kind->showsPicture(),
                'sorted' => match (true) {
                    $key === null => null,
                    $chosen === $key => 'ascending',
                    $chosen === "{$key}-down" => 'descending',
                    default => null,
                },
                'address' => $key === null ? null : $this->sortAddress($chosen === $key ? "{$key}-down" : $key),
            ];
        }, array_values($this->module->shownCard->parts()));
    }

    /**
     * The column and height of each card in a masonry, for each possible number of columns. The height is estimated
     * from the shape of the picture and the number of lines; a column's width is 1.
     *
     * @param  list<CardView>  $cards
     * @return list<array{columns: string, height: float}> the column in one column, in two, and so on: `1 2 2`
     */
    public function masonry(array $cards): array
    {
        $heights = array_map($this->heightOf(...), $cards);
        $placed = array_map(
            fn (int $columns): array => MasonryColumns::of($heights, max(1, $columns)),
            range(1, max(1, ...array_values($this->columns))),
        );

        return array_map(fn (float $height, int $i): array => [
            'columns' => implode(' ', array_column($placed, $i)),
            'height' => round($height, 3),
        ], $heights, array_keys($heights));
    }

    private function heightOf(CardView $card): float
    {
        $picture = $card->picture();
        $media = $picture === null ? null : $this->assets->picture($picture);
        $lines = count(array_filter($card->lines, fn (array $line): bool => ! $line[0]->standsForPicture()));

        return ($media === null ? 0.0 : $media->height / max(1, $media->width)) + self::LINE * $lines + self::GAP;
    }

    /** @return array<int, string> the headings of an index by letters, by the place of their group; none elsewhere */
    public function letters(): array
    {
        $headings = $this->module->headings;
        if ($headings === null || $headings->field->family() !== Family::Text) {
            return [];
        }
        $letters = array_map(fn (array $group): ?string => $group['heading']['words'] ?? null, $this->groups());
        $letters = array_filter($letters, is_string(...));

        return count($letters) > 1 ? $letters : [];
    }

    /** The address that sorts the listing by the named order. */
    private function sortAddress(string $order): string
    {
        $key = $this->module->offered()->key ?? $this->module->key;

        return $this->address
            ->without($this->module->pageParameter())
            ->with("{$key}-".Offer::SORT, $order, $this->anchor);
    }

    /** The key of the offer that changes this listing; null if visitors cannot change it. */
    public function follows(): ?string
    {
        return $this->module->follows ?? $this->module->offered()?->key;
    }

    /** The address of a page of the listing. Page 1 has no page number. */
    public function pageAddress(int $page): string
    {
        return $this->address->with($this->module->pageParameter(), $page > 1 ? (string) $page : null, $this->anchor);
    }

    public static function parameterOf(string $key): string
    {
        return $key.self::PAGE;
    }

    /** The key of the module whose page number a parameter gives; null for other parameters. */
    public static function keyOf(string $parameter): ?string
    {
        return str_ends_with($parameter, self::PAGE) ? substr($parameter, 0, -strlen(self::PAGE)) : null;
    }
}
