<?php

declare(strict_types=1);

namespace App\Listing;

use App\Catalogue\CatalogueStore;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Whitespace;

/**
 * Finds records for the trace by a part of their title: first those of the kind that the module takes, then items of
 * any type.
 */
final readonly class RecordFinder
{
    private const EACH = 6;

    private const MOST = 14;

    public function __construct(private Sources $sources, private CatalogueStore $catalogue)
    {
    }

    /**
     * @return list<array{item: int|null, slug: string, title: string, kind: string}> `item`: its id, where it is one
     */
    public function find(Module $module, string $words, Context $context): array
    {
        $looked = Fold::of(Whitespace::trim($words));
        if ($looked === '') {
            return [];
        }
        $source = $module->source;
        $found = $source->recordsOf() === RecordsOf::Items
            ? []
            : $this->named($this->sources->allOfKind($source, $context), $looked, $module->type()->label, false);
        $types = $this->catalogue->catalogue()->types;
        usort($types, fn (Type $a, Type $b): int => $source->accepts($b->key) <=> $source->accepts($a->key));
        foreach ($types as $type) {
            array_push(
                $found,
                ...$this->named(Item::query()->where('items.type_key', $type->key), $looked, $type->label, true),
            );
        }

        return array_slice($found, 0, self::MOST);
    }

    /**
     * @param  Builder<Item>  $among
     * @return list<array{item: int|null, slug: string, title: string, kind: string}>
     */
    private function named(Builder $among, string $looked, string $kind, bool $items): array
    {
        $rows = $among->toBase()->whereRaw("items.folded->>'title' like ?", ['%'.addcslashes($looked, '%_\\').'%'])
            ->orderByRaw('left(items.title, 200) collate wellspring_text, items.id')
            ->limit(self::EACH)
            ->get(['items.id', 'items.slug', 'items.title']);

        return array_values(
            $rows->map(
                fn (object $row): array => [
                    'item' => $items ? (int) $row->id : null,
                    'slug' => (string) $row->slug,
                    'title' => (string) $row->title,
                    'kind' => $kind,
                ],
            )->all(),
        );
    }
}
