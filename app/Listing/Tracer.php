<?php

declare(strict_types=1);

namespace App\Listing;

use App\Content\CatalogueStore;
use App\Content\Records;
use App\Models\Item;
use Wellspring\Core\Card\Format;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Run\Context;
use Wellspring\Core\Run\Trace;

/** Answers “why is it here, or not?” of any record: the steps it passes and does not, and where it stands or would. */
final readonly class Tracer
{
    public function __construct(private Listing $listing, private Sources $sources, private CatalogueStore $catalogue, private Format $format)
    {
    }

    public function item(Module $module, Item $item, Context $context): Traced
    {
        return $this->complete($module, Records::complete($item), $context);
    }

    /** @param  Record  $item  with all that rules can ask of it; see Records::complete() */
    public function complete(Module $module, Record $item, Context $context): Traced
    {
        return $this->record($module, $item, $context, $this->catalogue->catalogue()->type($item->type)->label ?? 'record');
    }

    /** A term, a person or a month, by its slug; null where the source has none of that slug. */
    public function bySlug(Module $module, string $slug, Context $context): ?Traced
    {
        if ($module->source->isItems()) {
            $item = Item::query()->where('slug', $slug)->orderByRaw('type_key = any(?::text[]) desc', [Fragment::arrayLiteral($module->source->draws())])->orderBy('id')->first();

            return $item === null ? null : $this->item($module, $item, $context);
        }
        $id = $this->sources->candidates($module->source, $context)->where('items.slug', $slug)->value('items.id');
        $record = is_numeric($id) ? $this->sources->records($module->source, [(int) $id], [], $context)[0] ?? null : null;

        return $record === null ? null : $this->record($module, $record, $context, $module->type()->label);
    }

    private function record(Module $module, Record $record, Context $context, string $kind): Traced
    {
        $trace = Trace::of($module, $record, $context, $this->format, $kind);
        $place = $trace->passes() ? $this->listing->placeOf($module, $record->id, $context) : null;
        $would = $place === null && ! $trace->passes() ? $this->listing->placeHadItPassed($module, $record->id, $context) : null;

        return new Traced($record, $kind, $trace, $place, $would, $module);
    }
}
