<?php

declare(strict_types=1);

namespace App\Site;

use App\Models\Page;
use App\Modules\ModuleStore;
use Wellspring\Core\Page\Block\ModuleBlock;

/** The links for signed-in managers on a page: to its plan, to its item, and to its modules. */
final readonly class ManagerBar
{
    public function __construct(private ModuleStore $modules)
    {
    }

    /**
     * @return array{
     *     page: string|null, item: array{address: string, title: string}|null,
     *     modules: list<array{key: string, name: string}>,
     * } `page`: the address of its plan, null where nobody has laid it out; each module once
     */
    public function of(PageResult $result): array
    {
        $item = $result->subject->page->item;
        $type = $result->subject->type;
        $isStored = Page::query()->whereNull('removed_at')->where('key', $result->page->key)->exists();
        $keys = array_values(array_unique(array_map(
            fn (DrawnBlock $block): string => $block->block instanceof ModuleBlock ? $block->block->module : '',
            $result->blocks(),
        )));
        $names = $this->modules->names($keys);

        return [
            'page' => $isStored ? "/manage/pages/{$result->page->key}" : null,
            'item' => $item === null || $type === null ? null : [
                'address' => "/manage/content/{$type->key}/{$item->id}",
                'title' => $result->subject->title,
            ],
            'modules' => array_values(array_map(
                fn (string $key): array => ['key' => $key, 'name' => $names[$key]],
                array_filter($keys, fn (string $key): bool => isset($names[$key])),
            )),
        ];
    }
}
