<?php

declare(strict_types=1);

namespace App\Site;

use App\Models\Page;
use Illuminate\Support\Collection;

/** What stands around every page's body, with the address that the page was asked for under. */
final readonly class SiteFrame
{
    /** @param  Collection<int, Page>  $links  of the navigation */
    private function __construct(public Collection $links, private string $path)
    {
    }

    public static function of(PageAddress $address): self
    {
        $links = Page::query()->where('address', '<>', '/')->orderBy('position')->orderBy('id')->get();

        return new self($links, $address->path);
    }

    /** Whether the page is the one of that address, or one below. */
    public function isAt(string $address): bool
    {
        return str_starts_with("{$this->path}/", "{$address}/");
    }
}
