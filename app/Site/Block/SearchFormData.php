<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Site\Address\PageAddress;
use App\Site\Output\ChoicesView;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\SearchForm;
use Wellspring\Core\Wording\Format;

/**
 * The filters of a listing on another page, with the number of its results.
 *
 * @implements BlockData<SearchForm>
 */
final readonly class SearchFormData implements BlockData
{
    public function __construct(private Format $format)
    {
    }

    public static function block(): string
    {
        return SearchForm::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $listing = $scene->listing($block->module);
        if ($listing === null) {
            return null;
        }
        $address = new PageAddress($block->page, $listing->module->chosen->parameters());
        $choices = new ChoicesView($listing, $address, $this->format, $block->module, $block->filters);

        return $choices->facets === [] ? null : [
            'choices' => $choices,
            'button' => $block->button === SearchForm::BUTTON
                ? $this->format->words()->text('choices.show', ['total' => $listing->result->total])
                : $this->format->inWords($block->button, ['total' => $listing->result->total]),
        ];
    }
}
