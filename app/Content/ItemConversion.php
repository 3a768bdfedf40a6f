<?php

declare(strict_types=1);

namespace App\Content;

use App\Catalogue\Records;
use App\Content\Types\TypeEffects;
use App\History\RevisionRecorder;
use Wellspring\Core\Content\Change\Conversion;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;

/** Converts the items of a content type after its definition changed. */
final readonly class ItemConversion
{
    public function __construct(private TypeEffects $effects, private ItemWriter $items)
    {
    }

    /**
     * @param  array<string, string>  $renamed  new keys of fields by old ones
     * @param  list<int>  $except  ids to skip
     * @param  (\Closure(int): void)|null  $progress  receives the number of converted items
     */
    public function rewrite(
        Type $now,
        Type $type,
        array $renamed,
        array $except,
        RevisionRecorder $recorder,
        ?\Closure $progress = null,
    ): void {
        $reader = new ItemReader($type);
        $gone = array_diff_key($now->taxonomies, $type->taxonomies);
        $touched = $this->effects->touched($now, $type, $renamed);
        $touched->getQuery()->whereIntegerNotInRaw('items.id', $except);
        $done = 0;
        foreach ($touched->lazyById(500) as $item) {
            $progress === null || $progress(++$done);
            $before = Records::values($item, $now);
            $after = array_diff_key($before, $now->fields);
            foreach ($now->fields as $key => $old) {
                $new = $type->fields[$renamed[$key] ?? $key] ?? null;
                if ($new !== null && ($before[$key] ?? null) !== null) {
                    $after[$new->key] = Conversion::of($old, $new, $before[$key])->value;
                }
            }
            $draft = $reader->asItStands($after);
            if (
                Differences::same($draft->values(), (new ItemReader($now))->asItStands($before)->values())
                && array_intersect_key($before, $gone) === []
            ) {
                continue;
            }
            RevisionRecorder::keep([$item], $now);
            foreach ($gone as $taxonomy) {
                $item->terms()->detach($item->terms->where('taxonomy_key', $taxonomy->key)->modelKeys());
            }
            $this->items->update($item, $type, $draft, recorder: $recorder);
        }
    }
}
