<?php

declare(strict_types=1);

namespace App\Listing\Trace;

use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Database\PostgresArray;
use App\Listing\Paging\RankFinder;
use App\Listing\Sources;
use App\Models\Item;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\Trace;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Wording\Format;

/**
 * Answers "why is it here, or not?" for any record: the steps that it passes and fails, and its position or the
 * position it would have.
 */
final readonly class Tracer
{
    public function __construct(
        private RankFinder $ranks,
        private Sources $sources,
        private CatalogueStore $catalogue,
        private Format $format,
    ) {
    }

    /** @param  string|null  $start  an instant that selects the occurrence; null for the first */
    public function item(Module $module, Item $item, Context $context, ?string $start = null): TracedRecord
    {
        return $this->complete($module, Records::complete($item)->startingAt($start), $context);
    }

    /** @param  Record  $item  with all values that rules can read; see Records::complete() */
    public function complete(Module $module, Record $item, Context $context): TracedRecord
    {
        return $this->record($module, $item, $context, $this->kind($item));
    }

    /** The steps of the item without its position, which would have to be counted. */
    public function trace(Module $module, Record $item, Context $context): Trace
    {
        return Trace::of($module, $item, $context, $this->format, $this->kind($item));
    }

    private function kind(Record $item): string
    {
        return $this->catalogue->catalogue()->type($item->type)->label ?? 'record';
    }

    /**
     * Finds a record by its slug. If the module lists terms, people or months, it looks for one of those first, even
     * outside the module's source. Then it looks for an item of any type. Null if nothing has the slug.
     */
    public function bySlug(Module $module, string $slug, Context $context): ?TracedRecord
    {
        $record = $module->source->recordsOf() === RecordsOf::Items
            ? null
            : $this->sources->record($module->source, $slug, $context);
        if ($record !== null) {
            return $this->record($module, $record, $context, $module->type()->label);
        }
        $item = Item::query()
            ->where('slug', $slug)
            ->orderByRaw('type_key = any(?::text[]) desc', [PostgresArray::literal($module->source->typeKeys())])
            ->orderBy('id')
            ->first();

        return $item === null ? null : $this->item($module, $item, $context);
    }

    private function record(Module $module, Record $record, Context $context, string $kind): TracedRecord
    {
        if ($module->source->hasOccurrences() && $record->start === null) {
            $record = $record->startingAt($this->sources->firstStart($module->source, $record->id, $context));
        }
        $trace = Trace::of($module, $record, $context, $this->format, $kind);
        $rank = $trace->passes() ? $this->ranks->rank($module, $record->key(), $context) : null;
        $hypotheticalRank = ! $trace->passes() && $module->source->accepts($record->type)
            ? $this->ranks->hypotheticalRank($module, $record->key(), $context)
            : null;

        return new TracedRecord($record, $kind, $trace, $rank, $hypotheticalRank, $module->bound($context));
    }
}
