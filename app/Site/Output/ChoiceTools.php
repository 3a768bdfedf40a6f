<?php

declare(strict_types=1);

namespace App\Site\Output;

use App\Site\Listings\VisitorListing;
use Wellspring\Core\Arrangement\Arrangement;
use Wellspring\Core\Choice\Offer;
use Wellspring\Core\Choice\OfferedArrangement;
use Wellspring\Core\Choice\OfferedOrder;
use Wellspring\Core\Sort\SortKey;
use Wellspring\Core\Wording\SiteWords;

/**
 * The orders, page sizes and layouts that visitors can choose, the listing's own among them.
 *
 * @phpstan-type ToolChoice array{value: string, name: string, isChosen: bool, address: string}
 */
final readonly class ChoiceTools
{
    /**
     * @param  \Closure(string, string|null): string  $address  the address with a parameter of the offer set to a value
     */
    public function __construct(
        private VisitorListing $listing,
        private \Closure $address,
        private SiteWords $words,
    ) {
    }

    public function areThere(): bool
    {
        return array_merge($this->orders(), $this->sizes(), $this->arrangements()) !== [];
    }

    /**
     * The orders to choose from, the listing's own among them; empty if there is no choice.
     *
     * @return list<ToolChoice> value: the parameter's; empty for the own
     */
    public function orders(): array
    {
        $orders = $this->listing->module->own->offer->orders ?? [];
        $own = self::keys($this->listing->module->own->order);
        $isOwn = fn (OfferedOrder $order): bool => self::keys($order->order) === $own;

        return $this->choices(
            Offer::SORT,
            array_map(fn (OfferedOrder $order): array => [$order->key, $order->name, $isOwn($order)], $orders),
            $this->words->text('choices.ownOrder'),
            $this->listing->module->chosen->order?->key,
        );
    }

    /** @return list<ToolChoice> see orders() */
    public function sizes(): array
    {
        $own = $this->listing->module->own->page->size;
        $sizes = $this->listing->module->own->offer->sizes ?? [];
        $sizes = $sizes === [] ? [] : array_unique([$own, ...$sizes]);
        sort($sizes);

        return $this->choices(
            Offer::SIZE,
            array_map(fn (int $size): array => [
                (string) $size, $this->words->text('choices.onePage', ['n' => $size]), $size === $own,
            ], $sizes),
            '',
            $this->listing->module->chosen->size === null ? null : (string) $this->listing->module->chosen->size,
        );
    }

    /** @return list<ToolChoice> see orders() */
    public function arrangements(): array
    {
        $own = $this->listing->module->own->arrange;
        $isOwn = fn (Arrangement $one): bool => $one->toArray() === $own->toArray();

        return $this->choices(
            Offer::ARRANGEMENT,
            array_map(
                fn (OfferedArrangement $one): array => [$one->key, $one->name, $isOwn($one->arrange)],
                $this->listing->module->own->offer->arrangements ?? [],
            ),
            $own::label(),
            $this->listing->module->chosen->arrangement?->key,
        );
    }

    /**
     * @param  list<array{string, string, bool}>  $offered  value, name, and whether it is the listing's own
     * @param  string  $ownName  name of the listing's own, if it is not offered
     * @return list<ToolChoice>
     */
    private function choices(string $name, array $offered, string $ownName, ?string $chosen): array
    {
        if ($offered === []) {
            return [];
        }
        if (! in_array(true, array_column($offered, 2), true)) {
            array_unshift($offered, ['', $ownName, true]);
        }

        return count($offered) < 2 ? [] : array_map(fn (array $one): array => [
            'value' => $one[2] ? '' : $one[0],
            'name' => $one[1],
            'isChosen' => $chosen === null ? $one[2] : $chosen === $one[0],
            'address' => ($this->address)($name, $one[2] ? null : $one[0]),
        ], $offered);
    }

    /**
     * @param  list<SortKey>  $order
     * @return list<array<string, mixed>>
     */
    private static function keys(array $order): array
    {
        return array_map(fn (SortKey $key): array => $key->toArray(), $order);
    }
}
