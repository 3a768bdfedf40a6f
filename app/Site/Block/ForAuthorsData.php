<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Catalogue\CatalogueStore;
use App\Models\Item;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\ForAuthors;

/**
 * The data of the block for authors: links to new items, the author's drafts, and what is published later. Managers
 * also get the drafts of others. Pages for signed-in people are never cached, so the lists are always current.
 *
 * @implements BlockData<ForAuthors>
 */
final readonly class ForAuthorsData implements BlockData
{
    /** The maximum number of items in a list. The Content screen shows all. */
    private const MOST = 8;

    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public static function block(): string
    {
        return ForAuthors::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $person = $scene->context->viewer->person;
        $user = $person === null ? null : User::query()->where('email', $person)->first();
        if ($user === null || $user->cannot('enter')) {
            return null;
        }
        $types = array_values(array_filter(array_map($this->catalogue->catalogue()->type(...), $block->types)));
        $keys = array_map(fn (Type $type): string => $type->key, $types);
        $drafts = Item::query()->where('status', 'draft')->whereIn('type_key', $keys);

        return $types === [] ? null : [
            'types' => $types,
            'lists' => array_filter([
                'author.drafts' => self::links((clone $drafts)->where('author_id', $user->id)),
                'author.later' => self::links(
                    Item::query()->whereIn('type_key', $keys)->where('status', 'published')
                        ->where('publish_at', '>', $scene->context->now)
                        ->when(! $user->isManager(), fn (Builder $mine) => $mine->where('author_id', $user->id)),
                ),
                'author.ofOthers' => $user->isManager()
                    ? self::links((clone $drafts)->whereRaw('author_id is distinct from ?', [$user->id]))
                    : [],
            ]),
        ];
    }

    /**
     * @param  Builder<Item>  $items
     * @return list<array{address: string, title: string}>
     */
    private static function links(Builder $items): array
    {
        $found = $items->getQuery()->orderByDesc('updated_at')->orderBy('id')->limit(self::MOST);

        return array_values($found->get(['id', 'type_key', 'title'])->map(fn (\stdClass $item): array => [
            'address' => "/manage/content/{$item->type_key}/{$item->id}", 'title' => (string) $item->title,
        ])->all());
    }
}
