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
 * What stands before and after the page's own record in a module's order, of those that have a page.
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
        // What visitors choose of a listing elsewhere changes nothing here.
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
