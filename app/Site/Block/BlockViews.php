<?php

declare(strict_types=1);

namespace App\Site\Block;

use Illuminate\Contracts\View\Factory;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Page\Block;

/** Draws blocks: each with the view site/blocks/KEY and the block's data. */
final readonly class BlockViews
{
    public const CLASSES = [
        BreadcrumbsData::class, FieldsData::class, MapData::class, MenuData::class, PagePictureData::class,
        PartsData::class, PictureData::class, PreviousNextData::class, RichTextData::class, FiltersData::class,
        SearchFormData::class, VideoData::class, ForAuthorsData::class,
    ];

    /** @var array<class-string, BlockData<covariant Block>> by the block's class */
    private array $all;

    /** @param  iterable<BlockData<covariant Block>>  $all */
    public function __construct(iterable $all, private Factory $views)
    {
        $byClass = [];
        foreach ($all as $data) {
            $byClass[$data::block()] = $data;
        }
        $this->all = $byClass;
    }

    /**
     * @param  int  $level  of the block's heading, if it has one
     * @return string|Level HTML; where the block has nothing to show, nothing, or what goes with it
     */
    public function draw(Block $block, PageScene $scene, int $level): string|Level
    {
        $view = 'site.blocks.'.$block::key();
        // @phpstan-ignore argument.type (the register pairs every block's class with its own data)
        $data = isset($this->all[$block::class]) ? $this->all[$block::class]->data($block, $scene) : [];
        if ($data instanceof Level) {
            return $data;
        }
        if ($data === null || ! $this->views->exists($view)) {
            return '';
        }

        return trim($this->views->make($view, $data + [
            'block' => $block, 'subject' => $scene->subject, 'context' => $scene->context,
            'address' => $scene->address, 'level' => $level,
        ])->render());
    }
}
