<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Site\Output\ChoicesView;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Filters;
use Wellspring\Core\Wording\Format;

/**
 * The filters of a listing that stands elsewhere on the page.
 *
 * @implements BlockData<Filters>
 */
final readonly class FiltersData implements BlockData
{
    public function __construct(private Format $format)
    {
    }

    public static function block(): string
    {
        return Filters::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $listing = $scene->listing($block->module);
        if ($listing === null) {
            return null;
        }
        $choices = new ChoicesView($listing, $scene->address, $this->format, $block->module, $block->filters);

        return $choices->facets === [] ? null : [
            'choices' => $choices,
            // Only one block of a page opens as the drawer: the block with all filters.
            'isDrawer' => $block->filters === null && $choices->isDrawerOnPhone(),
        ];
    }
}
