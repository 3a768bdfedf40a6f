<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Modules\ModuleStore;
use App\Site\Address\RecordAddresses;
use App\Site\Listings\VisitorListings;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\PreviousNext;

/**
 * The records before and after the page's own record in a module's order. Only records with a page count.
 *
 * @implements BlockData<PreviousNext>
 */
final readonly class PreviousNextData implements BlockData
{
    public function __construct(
        private ModuleStore $modules,
        private VisitorListings $listings,
        private RecordAddresses $addresses,
    ) {
    }

    public static function block(): string
    {
        return PreviousNext::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $scene->dependencies->on("module:{$block->order}", 'pages');
        $row = $this->modules->find($block->order);
        $module = $row === null ? null : $this->modules->live($row);
        $record = $scene->subject?->record;
        if ($module === null || $record === null || ! $module->source->accepts($record->type)) {
            return null;
        }
        // The result does not depend on the visitor's choices elsewhere.
        $context = $scene->context->with(choices: Choices::none());
        $found = $this->listings->neighbours($module->bound($context), $record->id, $context, $scene->dependencies);
        $addresses = $this->addresses->of($module->source, array_values(array_filter($found)));
        $links = array_filter(array_map(
            fn (?Record $one): ?array => $one === null || ! isset($addresses[(string) $one->key()])
                ? null
                : ['title' => $one->title, 'address' => $addresses[(string) $one->key()]],
            $found,
        ));

        return $links === [] ? null : ['links' => $links];
    }
}
