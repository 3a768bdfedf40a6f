<?php

declare(strict_types=1);

namespace App\Site;

use App\Models\Media;
use Wellspring\Core\Module\Module;

/** A module with all that its view needs. */
final readonly class ShownModule
{
    /**
     * @param  list<ShownCard>  $cards
     * @param  array<string, Media>  $pictures  by name
     * @param  array<string, int>  $columns  by width
     * @param  list<int|null>  $numbers  page numbers below the listing; null marks a gap
     * @param  string  $address  of the page that it stands on
     */
    public function __construct(
        public Module $module,
        public array $cards,
        public array $pictures,
        public array $columns,
        public bool $isList,
        public int $page,
        public int $pages,
        public array $numbers,
        public string $address,
    ) {
    }

    /** How wide its pictures stand at each width, for the browser to choose by. */
    public function pictureSizes(): string
    {
        $share = fn (string $width): int => $this->isList ? 30 : (int) ceil(100 / max(1, $this->columns[$width]));

        return "(min-width: 1440px) {$share('desktop')}vw, (min-width: 1024px) {$share('laptop')}vw, (min-width: 640px) {$share('tablet')}vw, {$share('phone')}vw";
    }

    /** The address of one of the listing's pages; page 1 has none of its own. */
    public function pageAddress(int $page): string
    {
        $query = request()->query();
        unset($query[$this->parameter()]);
        if ($page > 1) {
            $query[$this->parameter()] = (string) $page;
        }

        return $this->address.($query === [] ? '' : '?'.http_build_query($query)).'#'.$this->module->key;
    }

    public function parameter(): string
    {
        return self::parameterOf($this->module->key);
    }

    public static function parameterOf(string $key): string
    {
        return $key.'-page';
    }
}
