<?php

declare(strict_types=1);

namespace App\Pages;

use App\Catalogue\CatalogueStore;
use App\Models\Page;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Address\PageAbout;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Slug;

/** Suggests addresses for new pages, and checks whether an address is free. */
final readonly class PageAddresses
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    /**
     * A free address for a new page: made from its title, below another page; for every item of a type, the type's
     * current address; for every term, below the taxonomy.
     *
     * @param  array<array-key, mixed>|null  $about  in the form of a page's file
     * @param  string|null  $under  key of the new page's parent
     */
    public function suggested(string $title, ?array $about, ?string $under): string
    {
        $problems = new Problems;
        $of = $about === null
            ? null
            : PageAbout::read(new Shape($about, 'about', $problems), $this->catalogue->catalogue(), $problems);
        if ($of !== null) {
            return $this->ofKind($of, $this->base($under));
        }
        $base = rtrim($this->base($under), '/');
        $slug = Slug::from($title);
        for ($n = 1; ; $n++) {
            $address = "{$base}/{$slug}".($n === 1 ? '' : "-{$n}");
            if ($this->owner($address, null, null) === null) {
                return $address;
            }
        }
    }

    /**
     * Explains why a page cannot have an address.
     *
     * @param  array<array-key, mixed>|null  $about
     * @param  string|null  $key  key of the page itself
     * @return string|null null where it can have the address
     */
    public function fault(string $address, ?array $about, ?string $key): ?string
    {
        try {
            $placeholder = AddressPattern::of($address)->placeholder();
        } catch (\InvalidArgumentException) {
            return 'Expected an address such as /visit or /visit/fees: letters, digits, hyphens, dots; no spaces.';
        }
        if ($about === null && $placeholder !== null) {
            return "The page is about nothing but itself, so its address cannot hold {{$placeholder}}.";
        }
        if ($about !== null && $placeholder === null) {
            return 'The page is for many, so its address needs a placeholder, such as {item}.';
        }
        $owner = $this->owner($address, $about, $key);

        return $owner === null
            ? null
            : "The page “{$owner->draft['title']}” has this address".($owner->live === null ? ' in its draft.' : '.');
    }

    /**
     * The page that has the address, live or in its draft, for the same terms or items.
     *
     * @param  array<array-key, mixed>|null  $about
     */
    public function owner(string $address, ?array $about, ?string $except): ?Page
    {
        $rows = Page::query()->whereNull('removed_at')
            ->where(fn ($query) => $query->whereRaw("live ->> 'address' = ?", [$address])
                ->orWhereRaw("draft ->> 'address' = ?", [$address]))
            ->when($except !== null, fn ($query) => $query->where('key', '<>', $except));
        $for = fn (mixed $about): array => is_array($about)
            ? [$about['under'] ?? null, $about['only'] ?? null]
            : [null, null];
        foreach ($rows->orderBy('id')->get() as $row) {
            if ($for(($row->live ?? $row->draft)['about'] ?? null) === $for($about)) {
                return $row;
            }
        }

        return null;
    }

    private function base(?string $under): string
    {
        $page = $under === null ? null : Page::query()->whereNull('removed_at')->where('key', $under)->first();
        $address = $page->draft['address'] ?? '/';

        return is_string($address) && ! str_contains($address, '{') ? $address : '/';
    }

    private function ofKind(PageAbout $about, string $base): string
    {
        $first = $about->of[0] ?? '';
        $base = rtrim($base, '/');
        $type = $this->catalogue->catalogue()->type($first);

        return match ($about->kind) {
            // Listings link to items by their type's address.
            AboutKind::Item => str_replace('{slug}', '{'.self::placeholder($first).'}', $type->address ?? '/{item}'),
            AboutKind::Term => "/{$first}/{".self::placeholder($first).'}',
            AboutKind::Person => "{$base}/people/{person}",
            AboutKind::Month, AboutKind::Year => ($base === '' ? '/'.$first : $base)."/{{$about->kind->value}}",
        };
    }

    private static function placeholder(string $key): string
    {
        return preg_match('/^[a-z][a-z0-9_-]{0,62}$/D', $key) === 1 ? $key : 'item';
    }
}
