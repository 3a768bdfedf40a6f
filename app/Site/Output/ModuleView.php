<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Models\Media;
use App\Site\PageAddress;
use Wellspring\Core\Arrangement\Width;
use Wellspring\Core\Module\Module;

/** A module with all that its view needs. */
final readonly class ModuleView
{
    private const PAGE = '-page';

    /**
     * @param  list<CardView>  $cards
     * @param  array<string, Media>  $pictures  by name
     * @param  array<string, int>  $columns  by width
     * @param  list<int|null>  $numbers  page numbers below the listing; null marks a gap
     * @param  PageAddress  $address  of the page that it stands on
     * @param  array<string, array{words: string, records: int}>  $headings  by key, in order
     * @param  string|false  $heading  what stands over it; false: nothing
     * @param  string  $anchor  its id in the page: the module's key; another where it stands there again
     */
    public function __construct(
        public Module $module,
        public array $cards,
        public array $pictures,
        public array $columns,
        public int $page,
        public int $pages,
        public array $numbers,
        public PageAddress $address,
        public array $headings = [],
        public string|false $heading = false,
        public string $anchor = '',
    ) {
    }

    /**
     * The cards under their headings; all in one where there are none.
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

    /** How wide its pictures stand at each width, for the browser to choose by. */
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

    /** @return list<string> classes of resources/css/steps.css: how many columns stand at each width */
    public function columnClasses(): array
    {
        return array_map(
            fn (string $width, int $columns): string => "{$width}-{$columns}",
            array_keys($this->columns),
            $this->columns,
        );
    }

    /** The address of one of the listing's pages; page 1 has none of its own. */
    public function pageAddress(int $page): string
    {
        return $this->address->with($this->parameter(), $page > 1 ? (string) $page : null, $this->anchor);
    }

    public function parameter(): string
    {
        return self::parameterOf($this->module->key);
    }

    public static function parameterOf(string $key): string
    {
        return $key.self::PAGE;
    }

    /** The key of the module whose page a parameter asks for; null where it asks for none. */
    public static function keyOf(string $parameter): ?string
    {
        return str_ends_with($parameter, self::PAGE) ? substr($parameter, 0, -strlen(self::PAGE)) : null;
    }
}
